/** A page beside the plan: a heading, what is under it, and the way back. */
import { type ReactNode, useEffect } from 'react';
import { Link } from 'react-router';
import { useTheme } from '../session/theme.ts';
import './plain-page.css';

export function PlainPage({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  useTheme();
  useEffect(() => {
    document.title = `${title} · Meshwork`;
  }, [title]);
  return (
    <main className="plain-page">
      <div className="daylight" />
      <Link className="word" to="/?choose">
        Back to your plans
      </Link>
      <h1 className="text-great">{title}</h1>
      {children}
    </main>
  );
}
