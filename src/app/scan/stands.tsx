/** How the scan stands in its file: unit, up, face and chin as they are guessed, to be mended. */
import { SCAN_UNITS, type ScanUnit, UPS, type Up } from '../../core/scan/index.ts';
import { NumberField, SelectField } from '../ui/field.tsx';
import type { FoundHead } from './scan.worker.ts';
import type { ScanOnTheWay } from './use-scan.ts';

const UNIT_NAMES: Readonly<Record<ScanUnit, string>> = {
  mm: 'millimetres',
  cm: 'centimetres',
  m: 'metres',
  in: 'inches',
};
const UP_NAMES: Readonly<Record<Up, string>> = {
  '+y': 'y',
  '-y': 'against y',
  '+z': 'z',
  '-z': 'against z',
  '+x': 'x',
  '-x': 'against x',
};

export function Stands(props: {
  readonly scan: ScanOnTheWay;
  readonly onTurn: (change: Partial<ScanOnTheWay['pose']>) => void;
}) {
  const { scan, onTurn } = props;
  const { opened, pose, standing } = scan;
  const within = (low: number, high: number, key: 'turnDeg' | 'tipDeg') => (value: number) => {
    if (value < low || value > high) return `From ${low} to ${high} degrees.`;
    onTurn({ [key]: value });
    return undefined;
  };
  return (
    <section className="mt-4">
      <h2 className="text-title">How it stands</h2>
      <p className="note">
        <span className="break-words">{scan.name}</span>: {opened.triangles.toLocaleString('en-GB')} triangles
        {opened.piecesDropped > 0 &&
          `, ${opened.piecesDropped} loose ${opened.piecesDropped === 1 ? 'piece' : 'pieces'} left out`}
        . Unit and pose are guessed: mend what is wrong.
      </p>
      <SelectField
        label="Its unit"
        testId="scan-unit"
        value={pose.unit}
        options={SCAN_UNITS.map((u) => [u, UNIT_NAMES[u]] as const)}
        onChange={(unit) => onTurn({ unit })}
      />
      <SelectField
        label="Up in the file"
        testId="scan-up"
        value={pose.up}
        options={UPS.map((u) => [u, UP_NAMES[u]] as const)}
        onChange={(up) => onTurn({ up })}
      />
      <NumberField
        label="Face turned, degrees to your left"
        testId="scan-turn"
        value={pose.turnDeg}
        onCommit={within(-180, 180, 'turnDeg')}
      />
      <NumberField
        label="Chin raised, degrees"
        testId="scan-tip"
        value={pose.tipDeg}
        onCommit={within(-60, 60, 'tipDeg')}
      />
      {standing.trouble && (
        <p role="alert" className="mt-2 text-madder" data-testid="scan-stands-wrong">
          {standing.trouble}
        </p>
      )}
      {standing.head && (
        <p className="note mt-1" data-testid="scan-found">
          {holesIn(standing.head)} Left and right differ by up to {standing.head.unlikeMm.toFixed(1)} mm; both are taken
          as one.
        </p>
      )}
    </section>
  );
}

/** Where less is open it is a direction between two samples, no hole. */
const LEAST_HOLE = 0.002;
const over = (share: number) => (share < 0.01 ? 'less than 1 %' : `${Math.round(100 * share)} %`);

/** Of what lies above the ears. */
function holesIn({ holeShare, oneSidedShare }: FoundHead): string {
  const said: string[] = [];
  if (holeShare > LEAST_HOLE) said.push(`Holes over ${over(holeShare)} of it are bridged.`);
  if (oneSidedShare > LEAST_HOLE)
    said.push(`Holes on one side, over ${over(oneSidedShare)} of it, are filled from the other.`);
  return said.length > 0 ? said.join(' ') : 'No holes above the ears.';
}
