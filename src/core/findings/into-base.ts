/** What can go wrong with pieces that go into the base: nothing there, no room, a twist that opens, a root that stands up, a tie that shows. */
import { LUMP_MM } from '../base/index.ts';
import { INTO_INFO, type IntoBase, isOffHead, lowerFirst, upperFirst, WIDE_TWIST_MM } from '../trade/index.ts';
import { type Check, named, type Result } from './check.ts';

type Inputs = Parameters<Check>[0];

const changed = (inputs: Inputs, id: string, change: Partial<IntoBase> | undefined) =>
  ({
    kind: 'setRows',
    change: {
      intoBase: inputs.rows.intoBase.flatMap((e) => (e.id !== id ? [e] : change ? [{ ...e, ...change }] : [])),
    },
  }) as const;

const sectionsOf = (ids: readonly string[], { base }: Result) => base.sections.filter((s) => ids.includes(s.id));

/** Why an entry lays nothing. */
function whyIdle(inputs: Inputs, { base }: Parameters<Check>[1], entry: IntoBase): string {
  if (isOffHead(inputs.cap)) return 'The cap is filled off the head, where the base is not.';
  const meant = base.sections.filter((s) =>
    entry.sections.length > 0 ? entry.sections.includes(s.id) : s.role === 'base' && s.parking.how !== 'laid',
  );
  if (meant.length === 0)
    return entry.sections.length > 0
      ? 'The sections that you named are no longer there.'
      : 'Nothing is tied in this base.';
  const { what } = INTO_INFO[entry.way];
  if (what === 'coil' && meant.every((s) => s.parking.how !== 'coiled'))
    return 'No section is coiled where it is tied. Set where its tail goes in Base.';
  if (what === 'tail' && meant.every((s) => s.pathMm.length < 6 && s.rowMm.length < 6))
    return 'Their tails are coiled or laid flat, so that there is no plait to go along. Set where they go in Base.';
  return 'They are too short for the gap, or lie where you marked that no piece goes.';
}

const idle: Check = (inputs, result) => {
  const entry = inputs.rows.intoBase.find((e) => result.intoBase.every((f) => f.entry !== e.id || f.knots === 0));
  if (!entry) return undefined;
  return {
    code: 'into.idle',
    severity: 'caution',
    station: 'rows',
    what: `No piece goes ${INTO_INFO[entry.way].name}.`,
    why: whyIdle(inputs, result, entry),
    fix: { deed: 'Take that out of the plan', change: changed(inputs, entry.id, undefined) },
  };
};

const tooMany: Check = (inputs, result) => {
  const figures = result.intoBase.find((f) => f.sections.some((s) => s.room !== undefined && s.pieces > s.room));
  if (!figures) return undefined;
  const full = figures.sections.filter((s) => s.room !== undefined && s.pieces > s.room);
  const least = Math.max(1, Math.min(...full.map((s) => s.room ?? 1)));
  const ids = full.map((s) => s.section);
  return {
    code: 'into.noRoom',
    severity: 'caution',
    station: 'rows',
    what: full.length === 1 ? 'A tied root is full.' : `${full.length} tied roots are full.`,
    why: `${full[0].pieces} pieces in ${lowerFirst(named(sectionsOf(ids, result)))}, and about ${least} ${least === 1 ? 'fits' : 'fit'} side by side round it (guess). More push the band down and make the root stand up.`,
    sectionIds: ids,
    fix: {
      deed: `Put ${least} in each`,
      change: changed(inputs, figures.entry, { pieces: least }),
    },
  };
};

const opensTwist: Check = (inputs, result) => {
  const wideOf = ({ sections }: Result['intoBase'][number]) =>
    sectionsOf(
      sections.map((s) => s.section),
      result,
    ).filter((s) => s.tail === 'twist' && s.tailThicknessMm > WIDE_TWIST_MM);
  const figures = result.intoBase.find((f) => f.way === 'through' && wideOf(f).length > 0);
  if (!figures) return undefined;
  const wide = wideOf(figures);
  return {
    code: 'into.opens',
    severity: 'caution',
    station: 'rows',
    what: wide.length === 1 ? 'A wide twist is hooked through.' : `${wide.length} wide twists are hooked through.`,
    why: `${named(wide)}: thicker than ${WIDE_TWIST_MM} mm a twist can open from where the hook goes (guess). Beside it stays shut; a plait holds better.`,
    sectionIds: wide.map((s) => s.id),
    fix: { deed: 'Go beside them', change: changed(inputs, figures.entry, { way: 'beside' }) },
  };
};

/** Pieces that make a place thicker by less than this change nothing that is seen, mm (guess). */
const ADDS_MM = 3;

const standsUp: Check = (inputs, result) => {
  if (inputs.cap.dome === 'none') return undefined;
  const tie = new Map(result.base.sections.map((s) => [s.id, s.tailThicknessMm]));
  const high = result.intoBase.flatMap((f) =>
    f.sections.filter((s) => s.thicknessMm > LUMP_MM && s.thicknessMm - (tie.get(s.section) ?? 0) > ADDS_MM),
  );
  if (high.length === 0) return undefined;
  return {
    code: 'into.bulk',
    severity: 'note',
    station: 'rows',
    what: 'Pieces in the base make it stand up under the net.',
    why: `With them it is up to ${Math.round(Math.max(...high.map((s) => s.thicknessMm)))} mm thick there, and from ${LUMP_MM} mm a lump shows: fewer or finer pieces, or more sections.`,
    sectionIds: high.map((s) => s.section),
  };
};

/** Where nothing falls over it a tie is seen. */
const OPEN_ZONES = ['part', 'crown', 'top', 'faceEdge'];

const tieSeen: Check = (inputs, result) => {
  if (inputs.cap.dome !== 'none' || inputs.strands.some((s) => s.job === 'wrapTie')) return undefined;
  const open = new Set(
    result.knots.filter((k) => k.into === 'root' && OPEN_ZONES.includes(k.zone)).map((k) => result.rows[k.row].entry),
  );
  const figures = result.intoBase.find((f) => open.has(f.entry) && f.sections.some((s) => !s.hidesTie));
  if (!figures) return undefined;
  const bare = figures.sections.filter((s) => !s.hidesTie);
  const each = Math.max(...bare.map((s) => s.pieces));
  const more = bare.every((s) => (s.room ?? 0) > each) ? Math.min(...bare.map((s) => s.room ?? each)) : undefined;
  return {
    code: 'into.tieSeen',
    severity: 'note',
    station: 'rows',
    what: bare.length === 1 ? 'A tie on top may be seen.' : `${bare.length} ties may be seen.`,
    why: `${upperFirst(INTO_INFO.root.name)}: pieces cover less than half of the band, and on top nothing falls over it. A piece wound round it hides it (Order, “wraps a tie”), or more pieces do.`,
    sectionIds: bare.map((s) => s.section),
    ...(more === undefined
      ? {}
      : { fix: { deed: `Put ${more} in each`, change: changed(inputs, figures.entry, { pieces: more }) } as const }),
  };
};

export const INTO_CHECKS: readonly Check[] = [idle, tooMany, opensTwist, standsUp, tieSeen];
