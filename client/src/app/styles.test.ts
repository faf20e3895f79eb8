/// <reference types="node" />
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const styles = readFileSync('src/app/styles.css', 'utf8');

/** The inks and papers of a theme, by name. */
function inksOf(selector: string): Record<string, string> {
  const block = styles.slice(styles.indexOf(`${selector} {`)).split('}')[0]!;
  return Object.fromEntries([...block.matchAll(/--([a-z-]+): (#[0-9a-f]{6});/g)].map(([, name, ink]) => [name!, ink!]));
}

/** Relative luminance as WCAG defines it. */
function luminance(ink: string): number {
  const [red, green, blue] = [1, 3, 5]
    .map((at) => parseInt(ink.slice(at, at + 2), 16) / 255)
    .map((part) => (part <= 0.03928 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4));
  return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!;
}

function contrast(ink: string, paper: string): number {
  const [lighter, darker] = [luminance(ink), luminance(paper)].sort((left, right) => right - left);
  return (lighter! + 0.05) / (darker! + 0.05);
}

describe.each([
  ['light', ':root'],
  ['dark', "[data-theme='dark']"],
])('in the %s theme', (_, selector) => {
  const inks = inksOf(selector);
  const pairs = (of: string[], on: string[]) => of.flatMap((ink) => on.map((paper) => [ink, paper] as const));

  it.each(pairs(['ink', 'soft', 'blue', 'red', 'green'], ['sheet', 'band']))(
    'words in %s on %s have 4.5:1',
    (ink, paper) => expect(contrast(inks[ink]!, inks[paper]!)).toBeGreaterThanOrEqual(4.5),
  );

  it.each(pairs(['ink', 'blue'], ['desk']))('words in %s on the %s have 4.5:1', (ink, paper) =>
    expect(contrast(inks[ink]!, inks[paper]!)).toBeGreaterThanOrEqual(4.5),
  );

  it.each(pairs(['plan', 'domain', 'extras', 'setup', 'tax'], ['sheet']))(
    'parts of a bill in %s on %s have 3:1',
    (ink, paper) => expect(contrast(inks[ink]!, inks[paper]!)).toBeGreaterThanOrEqual(3),
  );

  it('what stands on a blue button has 4.5:1', () =>
    expect(contrast(inks['on-blue']!, inks['blue']!)).toBeGreaterThanOrEqual(4.5));
});

it('forced colours leave no ink and no paper of ours', () => {
  const forced = styles.slice(styles.indexOf('(forced-colors: active)')).split('@theme')[0]!;
  for (const name of Object.keys(inksOf(':root'))) {
    expect(forced).toMatch(new RegExp(`--${name}: (Canvas|CanvasText|LinkText);`));
  }
});
