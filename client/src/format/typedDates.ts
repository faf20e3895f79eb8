const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

// "12/29" and its like, "1229", "Dec 2029": the month, then the year.
const shapes = [
  /^(\d{1,2})\s*[/.\- ]\s*((?:20)?\d{2})$/,
  /^(\d{2})((?:20)?\d{2})$/,
  /^([a-z]{3})[a-z]*\.?\s*((?:20)?\d{2})$/,
];

/**
 * A month and year as people type them, as cards have them: "12/29". What is no month and year stays as it was typed, for the card processor to say so.
 */
export function monthAndYear(typed: string): string {
  const words = typed.trim().toLowerCase();
  const [, said = '', year = ''] = shapes.map((shape) => shape.exec(words)).find((match) => match !== null) ?? [];
  const month = months.indexOf(said) + 1 || Number(said);
  return month >= 1 && month <= 12 ? `${String(month).padStart(2, '0')}/${year.slice(-2)}` : typed;
}
