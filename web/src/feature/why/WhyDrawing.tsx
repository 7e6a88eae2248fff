import type { ReactNode } from 'react';
import type { WhyPicture } from '#contract/wording/en/why.ts';
import { say } from '#contract/wording/say.ts';

const INK = 'var(--ink)';
const RULE = 'var(--rule)';
/** The house's paint, as the map's next station has it. */
const PAINT = '#ffd21f';
const line = { stroke: INK, strokeWidth: 3, fill: 'none' } as const;
const thin = { stroke: RULE, strokeWidth: 2, fill: 'none' } as const;

/** The turns of a thread, as strokes across the shank. */
const threadOf = (x: number, y: number, long: number): string =>
  Array.from({ length: Math.floor(long / 12) }, (_, turn) => `M${x - 9} ${y + turn * 12}l18 6`).join('');

/** A bolt from the side: head, shank and the thread below. */
const Bolt = ({ x, y = 20, long = 80, tilt = 0 }: { x: number; y?: number; long?: number; tilt?: number }) => (
  <g transform={`rotate(${tilt} ${x} ${y})`}>
    <rect x={x - 20} y={y} width={40} height={16} fill={INK} />
    <rect x={x - 9} y={y + 16} width={18} height={long} fill="var(--sheet)" stroke={INK} strokeWidth={3} />
    <path d={threadOf(x, y + 24, long)} {...thin} />
  </g>
);
const Text = ({ x, y, children }: { x: number; y: number; children: ReactNode }) => (
  <text x={x} y={y} textAnchor="middle" fontSize={15} style={{ fill: INK }}>
    {children}
  </text>
);

/** Each picture in 240 by 140, drawn with a few strokes: it shows the one thing its note is about. */
const PICTURES: Record<WhyPicture, { says: string; drawn: ReactNode }> = {
  scatter: {
    says: say('One torque, and the loads it may come to: most in the middle, some a quarter off'),
    drawn: (
      <>
        <path d="M20 115C80 115 80 30 120 30S160 115 220 115" {...line} />
        <path d="M20 115H220" {...thin} />
        <rect x={95} y={30} width={50} height={85} fill={PAINT} opacity={0.5} />
        <Text x={120} y={134}>
          {say('load of one torque')}
        </Text>
      </>
    ),
  },
  spring: {
    says: say('A bolt is a spring: stretched it clamps, past its yield it stays long'),
    drawn: (
      <>
        <Bolt x={50} y={6} long={62} />
        <Bolt x={120} y={6} long={72} />
        <Bolt x={190} y={6} long={90} />
        <path d="M10 84H230" {...thin} />
        <Text x={50} y={134}>
          {say('loose')}
        </Text>
        <Text x={120} y={134}>
          {say('clamps')}
        </Text>
        <Text x={190} y={134}>
          {say('stays long')}
        </Text>
      </>
    ),
  },
  window: {
    says: say('A bead on the thread, and the time in which it may be pulled'),
    drawn: (
      <>
        <Bolt x={60} long={80} />
        <rect x={50} y={70} width={20} height={30} fill="var(--medium)" />
        <path d="M110 70H220" {...thin} />
        <rect x={110} y={60} width={60} height={20} fill={PAINT} />
        <path d="M170 50V90" {...line} />
        <Text x={140} y={48}>
          {say('pull')}
        </Text>
        <Text x={198} y={108}>
          {say('it has set')}
        </Text>
      </>
    ),
  },
  order: {
    says: say('Six bolts of a plate, from the middle outwards and across'),
    drawn: (
      <>
        <rect x={20} y={20} width={200} height={95} {...thin} />
        {[
          [120, 45, 1],
          [120, 90, 2],
          [60, 90, 3],
          [180, 45, 4],
          [60, 45, 5],
          [180, 90, 6],
        ].map(([x = 0, y = 0, number]) => (
          <g key={number}>
            <circle cx={x} cy={y} r={15} fill={number === 1 ? PAINT : 'var(--sheet)'} stroke={INK} strokeWidth={3} />
            <Text x={x} y={y + 5}>
              {number}
            </Text>
          </g>
        ))}
      </>
    ),
  },
  count: {
    says: say('Eight places of a tray, one of them empty'),
    drawn: (
      <>
        {Array.from({ length: 8 }, (_, at) => {
          const [x, y] = [30 + (at % 4) * 48, 25 + Math.floor(at / 4) * 50];
          return (
            <g key={`${x} ${y}`}>
              <rect x={x} y={y} width={38} height={38} {...thin} />
              {at !== 6 && <circle cx={x + 19} cy={y + 19} r={12} fill={INK} />}
            </g>
          );
        })}
        <Text x={145} y={134}>
          {say('one is missing')}
        </Text>
      </>
    ),
  },
  seat: {
    says: say('A head a little off its seat, and one that lies on it'),
    drawn: (
      <>
        <Bolt x={70} y={18} long={70} />
        <Bolt x={170} y={34} long={70} />
        <path d="M20 52H220V72H20Z" fill="var(--band)" stroke={INK} strokeWidth={2} />
        <Text x={70} y={134}>
          {say('gap')}
        </Text>
        <Text x={170} y={134}>
          {say('seated')}
        </Text>
      </>
    ),
  },
  thread: {
    says: say('A bolt that stands in its thread, and one across it'),
    drawn: (
      <>
        <path d="M20 70H220V110H20Z" fill="var(--band)" stroke={INK} strokeWidth={2} />
        <Bolt x={70} y={18} long={72} />
        <Bolt x={165} y={20} long={66} tilt={12} />
        <Text x={70} y={134}>
          {say('straight')}
        </Text>
        <Text x={165} y={134}>
          {say('across')}
        </Text>
      </>
    ),
  },
  wrench: {
    says: say('The scale of a wrench: below a fifth of it little is known'),
    drawn: (
      <>
        <rect x={20} y={50} width={200} height={26} {...line} />
        <rect x={60} y={50} width={160} height={26} fill={PAINT} stroke={INK} strokeWidth={3} />
        <Text x={40} y={98}>
          0
        </Text>
        <Text x={62} y={42}>
          20 %
        </Text>
        <Text x={205} y={98}>
          {say('full scale')}
        </Text>
      </>
    ),
  },
  bush: {
    says: say('A bush at ride height, and the same one twisted with the wheel hanging'),
    drawn: (
      <>
        {[70, 170].map((x) => (
          <g key={x}>
            <circle cx={x} cy={60} r={38} {...line} />
            <circle cx={x} cy={60} r={12} fill={INK} />
          </g>
        ))}
        <path d="M70 60H108M70 60H32" {...thin} />
        <path d="M170 60C185 60 195 68 203 78M170 60C155 60 145 52 137 42" {...line} />
        <Text x={70} y={126}>
          {say('on its wheels')}
        </Text>
        <Text x={170} y={126}>
          {say('hanging')}
        </Text>
      </>
    ),
  },
  chain: {
    says: say('Entries of a record, each holding on to the one before it'),
    drawn: (
      <>
        {[30, 100, 170].map((x) => (
          <rect key={x} x={x} y={40} width={44} height={44} {...line} />
        ))}
        <path d="M74 62H100M144 62H170" {...line} />
        <Text x={120} y={120}>
          {say('each holds the one before')}
        </Text>
      </>
    ),
  },
  hands: {
    says: say('Two people, and one joint between them'),
    drawn: (
      <>
        {[60, 180].map((x) => (
          <g key={x}>
            <circle cx={x} cy={36} r={16} {...line} />
            <path d={`M${x - 26} 100C${x - 26} 60 ${x + 26} 60 ${x + 26} 100`} {...line} />
          </g>
        ))}
        <circle cx={120} cy={80} r={16} fill={PAINT} stroke={INK} strokeWidth={3} />
      </>
    ),
  },
  units: {
    says: say('One length of scale in two units'),
    drawn: (
      <>
        <path d="M20 60H220" {...line} />
        {[20, 70, 120, 170, 220].map((x) => (
          <path key={x} d={`M${x} 60V46`} {...line} />
        ))}
        {[20, 88, 156].map((x) => (
          <path key={x} d={`M${x} 60V76`} {...line} />
        ))}
        <Text x={120} y={36}>
          {say('newton metres')}
        </Text>
        <Text x={120} y={100}>
          {say('pound feet')}
        </Text>
      </>
    ),
  },
  stack: {
    says: say('What lies between head and nut, layer by layer'),
    drawn: (
      <>
        <Bolt x={120} y={14} long={104} />
        {[34, 48, 72].map((y, at) => (
          <rect
            key={y}
            x={70}
            y={y}
            width={100}
            height={[8, 20, 20][at]}
            fill="var(--band)"
            stroke={INK}
            strokeWidth={2}
          />
        ))}
        <rect x={98} y={96} width={44} height={16} fill={INK} />
      </>
    ),
  },
  clock: {
    says: say('A clock that is not over'),
    drawn: (
      <>
        <circle cx={120} cy={68} r={50} {...line} />
        <path d="M120 68V18A50 50 0 0 1 163 93Z" fill={PAINT} stroke={INK} strokeWidth={2} />
        <path d="M120 68V30M120 68L148 84" {...line} />
      </>
    ),
  },
  person: {
    says: say('A person, and the name that stands with what they did'),
    drawn: (
      <>
        <circle cx={80} cy={40} r={18} {...line} />
        <path d="M48 112C48 66 112 66 112 112" {...line} />
        <path d="M140 60H220M140 80H200M140 100H210" {...thin} />
      </>
    ),
  },
};

/** The picture of a note. */
export function WhyDrawing({ picture }: { picture: WhyPicture }) {
  const { says, drawn } = PICTURES[picture];
  return (
    <svg viewBox="0 0 240 140" className="w-60 max-w-full shrink-0" role="img" aria-label={says}>
      {drawn}
    </svg>
  );
}
