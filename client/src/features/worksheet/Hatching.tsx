/** The parts of a bill, in the order in which every picture draws them. */
export const parts = [
  ['plan', 'plan'],
  ['domain', 'domain'],
  ['extras', 'extras'],
  ['setup', 'set-up and surcharges'],
  ['tax', 'tax'],
] as const;

export type BillPart = (typeof parts)[number][0];

/** What the part is filled with, wherever <Hatching> is on the page. */
export const fillOf = (part: BillPart) => `url(#hatching-${part})`;

// Lines over the part's colour, which leave it to be told apart without seeing colours.
const lines: Record<BillPart, string> = {
  plan: '',
  domain: 'M-1,1 L1,-1 M0,6 L6,0 M5,7 L7,5',
  extras: 'M3,0 V6',
  setup: 'M-1,5 L1,7 M0,0 L6,6 M5,-1 L7,1',
  tax: 'M0,3 H6',
};

/** The fillings themselves; nothing is seen of them here. */
export function Hatching() {
  return (
    <svg aria-hidden="true" width="0" height="0" className="absolute">
      <defs>
        {parts.map(([part]) => (
          <pattern key={part} id={`hatching-${part}`} width="6" height="6" patternUnits="userSpaceOnUse">
            <rect width="6" height="6" fill={`var(--${part})`} />
            <path d={lines[part]} className="stroke-sheet" strokeWidth="1.2" />
          </pattern>
        ))}
      </defs>
    </svg>
  );
}
