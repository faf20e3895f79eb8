import type { Schemas } from '../../api/wire/client';

export type Name = Schemas['ReadNameWire'];
type Advice = Schemas['NameAdviceWire'];

const mends: Record<string, string> = {
  address: 'taken out of the address',
  subdomain: 'without what stood before it',
  and: '“&” written as “and”',
  mark: 'marks left out',
  joined: 'parts run together',
};

/** "Read as ostlerandwren: parts run together, “&” written as “and”." Nothing where nothing was mended. */
export function mendWords({ label, mended }: Name): string | null {
  return mended.length === 0 ? null : `Read as ${label}: ${mended.map((mend) => mends[mend] ?? mend).join(', ')}.`;
}

/** What bars the name, and how to mend it. */
export function problemWords(problem: string, { ending, label }: Name): string {
  switch (problem) {
    case 'empty':
      return 'Type a name with letters or digits in it.';
    case 'is-an-ending':
      return `“.${ending}” is an ending: put the name you want before it.`;
    case 'ending-unknown':
      return `No registry has the ending “.${ending}”: look at its spelling, or leave it out.`;
    case 'hyphen-edge':
      return 'A hyphen can only stand between letters or digits, not at an end.';
    case 'hyphen-34':
      return 'Two hyphens in the third and fourth place are kept for encoded names: use one.';
    case 'not-allowed':
      return 'This has a character that no domain can hold: write it with letters, digits and hyphens.';
    case 'too-long':
      return `This has ${[...label].length} characters: a name has room for 63, fewer in other scripts or with a long ending.`;
    case 'mixed-scripts':
      return 'Its letters are of different scripts, which look alike and mislead: write it in one.';
    default:
      return `This name cannot be had: ${problem}.`;
  }
}

/** What is worth a second thought, with its measure. */
export function adviceWords({ code, detail }: Advice): string {
  switch (code) {
    case 'long':
      return `${detail} letters are many to type: shorter names are remembered better.`;
    case 'hyphen':
      return detail === '1'
        ? 'The hyphen has to be said each time on the telephone, and is easily left out.'
        : 'Hyphens have to be said each time on the telephone, and are easily left out.';
    case 'digit':
      return `People who hear “${detail}” do not know whether to write it as a word.`;
    case 'doubled':
      return `Where two parts meet, “${detail.split(' ')[0]}” is easily typed as one letter.`;
    case 'reads-otherwise':
      return `Others may read it as “${detail}”.`;
    case 'idn':
      return `Where its letters are not understood it looks like ${detail}.`;
    case 'ending-abroad':
      return `“.${detail}” is another country’s ending: customers may take you for a business there.`;
    case 'not-com-nor-home':
      return `“.${detail}” is neither .com nor your country’s ending: some will type one of those.`;
    default:
      return detail;
  }
}
