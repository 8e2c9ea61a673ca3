/** The three moves of a knot, drawn: hook under, loop out, tails through. Hair brown, hook brass, own hair violet. */
import type { PlannedKnot } from '../../../core/knots/index.ts';
import './moves.css';

type Drawn = Pick<PlannedKnot, 'kind' | 'wraps' | 'lock' | 'through'>;

const NET = (() => {
  let d = '';
  for (let r = -1; r < 8; r++) {
    for (let c = -1; c < 9; c++) {
      const x = 6 + c * 30 + (r % 2 ? 15 : 0);
      d += `M${x},${r * 28}l15,28M${x},${r * 28}l-15,28`;
    }
  }
  return d;
})();

export function underWhat({ kind, through }: Drawn): string {
  if (kind === 'onBand') return 'the band';
  if (kind === 'onRod') return 'two turns of the thread';
  if (kind === 'intoTie') return 'the band of the tied root';
  if (kind === 'onTail') return 'a strand of the plait or twist';
  if (kind === 'anchor') return 'hair and border';
  return through === 'net' ? 'the net only' : through === 'hair' ? 'your own hair' : 'net and hair';
}

export function movesOf(knot: Drawn): ReadonlyArray<{ readonly name: string; readonly how: string }> {
  const through = underWhat(knot);
  const times = ['', 'once', 'twice', 'three times', 'four times'][knot.wraps] ?? `${knot.wraps} times`;
  const oneLeg = knot.kind === 'oneLeg';
  return [
    { name: 'Hook under', how: `${through}, latch open` },
    {
      name: 'Loop out',
      how: knot.kind === 'fold' ? 'the middle of the fold, latch shut' : 'latch shut, half of it',
    },
    knot.kind === 'threadLoop'
      ? { name: 'Piece through', how: 'all of it through its own thread, then tight' }
      : oneLeg
        ? { name: 'One side through', how: `${times}, the other falls over it` }
        : {
            name: 'Tails through',
            how: knot.lock ? `${times}, then push the band to the root` : `${times}, then tight`,
          },
  ];
}

export function KnotMoves({ knot, compact = false }: { readonly knot: Drawn; readonly compact?: boolean }) {
  const moves = movesOf(knot);
  const pictures = [
    <HookUnder key="1" knot={knot} />,
    <LoopOut key="2" knot={knot} />,
    <TailsThrough key="3" knot={knot} />,
  ];
  return (
    <ol className={`grid grid-cols-3 ${compact ? 'gap-2' : 'gap-7 beside:gap-3.5 max-phone:gap-3'}`}>
      {moves.map((m, i) => (
        <li key={m.name} className="move">
          <svg viewBox="0 18 230 184" className="w-full" style={{ overflow: 'hidden' }} aria-hidden="true">
            {knot.through !== 'hair' && <Net />}
            {pictures[i]}
          </svg>
          <div
            className={
              compact
                ? 'mt-1 text-note font-strong leading-tight'
                : 'fig mt-3 text-figure beside:text-heading max-phone:mt-1.5 max-phone:text-title'
            }
            style={compact ? undefined : { fontStretch: '86%' }}
          >
            {m.name}
          </div>
          <div
            className={
              compact
                ? 'note leading-tight'
                : 'mt-1 text-far-note leading-tight text-ink2 beside:text-lead max-phone:mt-0'
            }
          >
            {m.how}
          </div>
        </li>
      ))}
    </ol>
  );
}

function Net() {
  return (
    <>
      <defs>
        <radialGradient id="net-fade" cx="115" cy="112" r="132" gradientUnits="userSpaceOnUse">
          <stop offset=".45" stopColor="#fff" />
          <stop offset="1" stopColor="#000" />
        </radialGradient>
        <mask id="net-mask" maskUnits="userSpaceOnUse" x="-20" y="-20" width="280" height="260">
          <rect x="-20" y="-20" width="280" height="260" fill="url(#net-fade)" />
        </mask>
      </defs>
      <g mask="url(#net-mask)">
        <path d={NET} fill="none" stroke="var(--ink)" strokeOpacity=".3" strokeWidth="1.7" />
      </g>
    </>
  );
}

/** What the hook goes under: a plait of own hair, or a doubled thread of the net. */
function Held({ y, knot }: { readonly y: number; readonly knot: Drawn }) {
  if (knot.through === 'net') {
    return (
      <>
        <path d={`M-6,${y - 4}H236M-6,${y + 4}H236`} stroke="var(--outline)" strokeWidth="6" />
        <path d={`M-6,${y - 4}H236M-6,${y + 4}H236`} stroke="var(--net-thread)" strokeWidth="3" />
      </>
    );
  }
  return (
    <>
      <path d={`M-6,${y}H236`} stroke="var(--outline)" strokeWidth="19" />
      <path d={`M-6,${y}H236`} stroke="var(--plait)" strokeWidth="13" />
      <path
        d={Array.from({ length: 17 }, (_, i) => `M${-4 + i * 15},${y - 6}l9,12`).join('')}
        stroke="var(--sign)"
        strokeWidth="2"
      />
    </>
  );
}

function Hair({ d, w = 15 }: { readonly d: string; readonly w?: number }) {
  return (
    <>
      <path d={d} fill="none" stroke="var(--outline)" strokeWidth={w + 5} />
      <path d={d} fill="none" stroke="var(--lock)" strokeWidth={w} />
      <path d={d} fill="none" stroke="var(--lock-light)" strokeWidth="1.6" transform="translate(-3 0)" />
      <path d={d} fill="none" stroke="var(--lock-light)" strokeWidth="1.2" transform="translate(3 0)" />
    </>
  );
}

function Steel({ d }: { readonly d: string }) {
  return (
    <>
      <path d={d} fill="none" stroke="var(--outline)" strokeWidth="11" strokeLinecap="round" strokeLinejoin="round" />
      <path d={d} fill="none" stroke="var(--light)" strokeWidth="6" strokeLinecap="round" strokeLinejoin="round" />
    </>
  );
}

function Arrow({ d }: { readonly d: string }) {
  return <path d={d} fill="none" stroke="var(--ink)" strokeWidth="4" strokeLinecap="round" strokeLinejoin="round" />;
}

function HookUnder({ knot }: { readonly knot: Drawn }) {
  return (
    <>
      <g className="goes-up">
        <Steel d="M104,250V52" />
      </g>
      <Held y={118} knot={knot} />
      <Hair d="M168,-6C166,20 150,32 134,38C112,46 110,74 134,73C162,70 194,34 200,-6" />
      <g className="goes-up">
        <Steel d="M104,98V54C104,26 142,26 142,54V60" />
        <Steel d="M104,90L86,106" />
      </g>
      <Arrow d="M50,204V156M38,170L50,154L62,170" />
    </>
  );
}

function LoopOut({ knot }: { readonly knot: Drawn }) {
  return (
    <>
      <g className="goes-down">
        <Hair d="M98,-26C100,40 97,66 95,96C91,140 100,160 115,160C130,160 139,140 135,96C133,66 130,40 132,-26" />
      </g>
      <Held y={84} knot={knot} />
      <g className="goes-down">
        <Steel d="M115,250V152C115,134 141,134 141,152V164" />
        <Steel d="M115,196L140,168" />
      </g>
      <Arrow d="M190,128V184M178,170L190,186L202,170" />
    </>
  );
}

function TailsThrough({ knot }: { readonly knot: Drawn }) {
  if (knot.kind === 'oneLeg') return <OneSideThrough knot={knot} />;
  return (
    <>
      <Hair d="M84,124C66,76 80,50 115,50C150,50 164,76 146,124" />
      <Held y={80} knot={knot} />
      <g className="goes-down">
        <Hair d="M104,-26C104,60 102,120 104,226" />
        <Hair d="M127,-26C127,60 129,120 127,226" />
      </g>
      {Array.from({ length: Math.min(4, knot.wraps) }, (_, i) => {
        const y = 96 + 22 * i;
        return (
          <Hair
            key={i}
            w={14}
            d={`M${78 - 3 * i},${y}C${80 - 3 * i},${y + 26} 98,${y + 32} 115,${y + 32}C132,${y + 32} ${150 + 3 * i},${y + 26} ${152 + 3 * i},${y}`}
          />
        );
      })}
      {knot.lock && (
        <path d="M92,134q23,12 46,0v14q-23,12 -46,0z" fill="var(--light)" stroke="var(--outline)" strokeWidth="3" />
      )}
      <Arrow d="M196,132V188M184,174L196,190L208,174" />
    </>
  );
}

/** The free leg lies over the loop; only the other one passes through. */
function OneSideThrough({ knot }: { readonly knot: Drawn }) {
  return (
    <>
      <Hair d="M84,124C66,76 80,50 115,50C150,50 164,76 146,124" />
      <Held y={80} knot={knot} />
      <g className="goes-down">
        <Hair d="M127,-26C127,60 129,120 127,226" />
      </g>
      {Array.from({ length: knot.wraps }, (_, i) => {
        const y = 100 + 22 * i;
        return (
          <Hair
            key={i}
            w={14}
            d={`M78,${y}C80,${y + 26} 98,${y + 32} 115,${y + 32}C132,${y + 32} 150,${y + 26} 152,${y}`}
          />
        );
      })}
      <Hair d="M146,116C160,60 120,20 92,52C66,84 78,150 84,226" />
      <Arrow d="M196,132V188M184,174L196,190L208,174" />
    </>
  );
}
