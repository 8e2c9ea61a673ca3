/** One line through all stations: settled is a tight knot, open a loop, here a loop with a bead, disputed broken. */
import { dequal } from 'dequal';
import { memo, useEffect, useMemo, useRef } from 'react';
import { Link } from 'react-router';
import type { Finding } from '../../core/findings/index.ts';
import { newPlan } from '../../model/defaults.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { STATIONS, type StationId, type StationState, stationState } from './stations.ts';
import './thread.css';

const STATE_WORDS: Readonly<Record<StationState, string>> = {
  settled: 'settled',
  open: 'open',
  disputed: 'disputed, see the finding',
  defaults: 'as it came',
};

export function Thread(props: {
  readonly plan: PlanDocument;
  readonly here: StationId;
  readonly findings: readonly Finding[];
  readonly children: React.ReactNode;
}) {
  const { plan, here, findings } = props;
  const current = useRef<HTMLAnchorElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: scrolls whenever another station is current
  useEffect(() => {
    current.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [here]);
  const asItCame = useMemo(() => newPlan(plan.id, plan.name), [plan.id, plan.name]);
  return (
    <header className="thread">
      {props.children}
      <nav className="stations" aria-label="Stations">
        {STATIONS.map(([id]) => (
          <Stop
            key={id}
            link={id === here ? current : undefined}
            planId={plan.id}
            id={id}
            state={stationState(id, plan, findings, isTouched(id, plan, asItCame))}
          />
        ))}
      </nav>
    </header>
  );
}

interface StopProps {
  readonly id: StationId;
  readonly planId: string;
  readonly state: StationState;
  /** Of the station where she is. */
  readonly link: React.Ref<HTMLAnchorElement> | undefined;
}

/** A station on the line: it stays as it is while its state does. */
const Stop = memo(({ id, planId, state, link }: StopProps) => {
  const place = STATIONS.findIndex(([station]) => station === id);
  const isHere = link !== undefined;
  return (
    <Link
      ref={link}
      to={`/plan/${planId}/${id}`}
      className="station"
      data-state={state}
      aria-current={isHere ? 'page' : undefined}
    >
      <div className="strand" aria-hidden="true">
        <i style={{ visibility: place === 0 ? 'hidden' : undefined }} />
        <Glyph state={state} here={isHere} />
        {place === STATIONS.length - 1 ? <LooseEnd /> : <i />}
      </div>
      <span>{STATIONS[place][1]}</span>
      <em className="sr-only">, {STATE_WORDS[state]}</em>
    </Link>
  );
});

/** Whether she changed anything of what the station holds. @param d a plan as it came */
function isTouched(id: StationId, plan: PlanDocument, d: PlanDocument): boolean {
  const differs = (...keys: (keyof PlanDocument)[]) => keys.some((k) => !dequal(plan[k], d[k]));
  switch (id) {
    case 'aim':
      return differs('pace', 'wearer', 'wishes');
    case 'measure':
      return differs('tape', 'fingers', 'hairline', 'ownHair', 'marks');
    case 'base':
      return differs('base');
    case 'cap':
      return differs('cap');
    case 'hair':
      return differs('products', 'cuts', 'pieces');
    case 'rows':
      return differs('spacing', 'part', 'schools', 'rows', 'knotWishes');
    case 'supply':
      return differs('reserveShare');
    default:
      return false;
  }
}

function Glyph({ state, here }: { readonly state: StationState; readonly here: boolean }) {
  const line = {
    fill: 'none',
    stroke: 'var(--ink)',
    strokeWidth: 1.5,
    strokeLinecap: 'round',
    strokeLinejoin: 'round',
  } as const;
  if (state === 'disputed') {
    return (
      <svg aria-hidden="true" width="44" height="44" viewBox="-22 -30 44 44">
        <path d="M-22 0H-11M22 0H11" {...line} />
        <path
          d="M11 0q-4 -1 -6 -6M11 0q-5 1 -7 4M-11 0q4 -1 6 -6M-11 0q5 1 7 4"
          {...line}
          stroke="var(--madder)"
          strokeWidth="2"
        />
        {here && <circle cy="-9" r="4.6" fill="var(--brass)" stroke="var(--ink)" strokeWidth="1" />}
      </svg>
    );
  }
  if (here) {
    return (
      <svg aria-hidden="true" width="44" height="44" viewBox="-22 -30 44 44">
        <path d="M-22 0H-15C13.5 0 17.3 -19 0 -19C-17.3 -19 -13.5 0 15 0H22" {...line} />
        <circle cy="-10" r="4.6" fill="var(--brass)" stroke="var(--ink)" strokeWidth="1" />
      </svg>
    );
  }
  if (state === 'settled') {
    return (
      <svg aria-hidden="true" width="30" height="44" viewBox="-15 -30 30 44">
        <path d="M-15 0H15" {...line} />
        <path d="M-8 .6C-7 -6.5 4 -7.5 8 -.6C7 6.5 -4 7.5 -8 .6Z" fill="var(--ink)" />
        <path d="M-3.6 4.6C-2.6 .6 1.6 -.8 3.8 -4.6" stroke="var(--ground)" strokeWidth="1.5" fill="none" />
      </svg>
    );
  }
  if (state === 'open') {
    return (
      <svg aria-hidden="true" width="30" height="44" viewBox="-15 -30 30 44">
        <path d="M-15 0H-9C8.1 0 10.4 -11 0 -11C-10.4 -11 -8.1 0 9 0H15" {...line} />
      </svg>
    );
  }
  return (
    <svg aria-hidden="true" width="30" height="44" viewBox="-15 -30 30 44">
      <path d="M-15 0H-8Q0 7 8 0H15" {...line} />
    </svg>
  );
}

/** After the last station the end hangs loose. */
function LooseEnd() {
  return (
    <svg
      aria-hidden="true"
      className="flex-1"
      height="44"
      viewBox="0 -30 40 44"
      preserveAspectRatio="xMinYMid meet"
      style={{ height: 44, minWidth: 0 }}
    >
      <path d="M0 0c14 0 10 10 26 7" fill="none" stroke="var(--ink)" strokeWidth="1.5" strokeLinecap="round" />
    </svg>
  );
}
