// What can be seen on the page, and read or pressed: [what is looked for, what it says]. Where somebody waits for it,
// it is told once it is there, or after a second that it is not.
const [what, words, tell] = arguments;

const isSeen = (element) =>
  element.getClientRects().length > 0 && element.checkVisibility({ opacityProperty: true, visibilityProperty: true });

// As XPath has it: a space that does not break is no white space.
const plain = (text) => text.replace(/[ \t\r\n]+/g, ' ').trim();

// Line by line, as it is read: cells of a row beside one another.
const read = (element) =>
  element.innerText
    .replace(/[\t\u00a0]/g, ' ')
    .split('\n')
    .map((line) => line.replace(/ +/g, ' ').trim())
    .filter((line) => line !== '')
    .join('\n');

const looks = {
  text() {
    const parts = [...document.querySelectorAll('main, [role=dialog], [role=menu]')];
    return (parts.length > 0 ? parts : [document.body]).map((part) => (part && isSeen(part) ? read(part) : '')).join('\n');
  },

  says() {
    return looks.text().includes(words) || null;
  },

  field() {
    const labelled = [...document.querySelectorAll('label[for]')]
      .filter((label) => plain(label.textContent) === words)
      .map((label) => document.getElementById(label.htmlFor));
    const named = document.querySelectorAll(`[aria-label=${JSON.stringify(words)}]`);
    return [...labelled, ...named].find((field) => field && isSeen(field)) ?? null;
  },

  control() {
    const controls = [...document.querySelectorAll('a, button, summary')].filter(
      (control) =>
        (plain(control.textContent).startsWith(words) || control.getAttribute('aria-label')?.startsWith(words)) &&
        isSeen(control),
    );
    return controls.find((control) => read(control) === words) ?? controls[0] ?? null;
  },

  row() {
    const row = [...document.querySelectorAll('main table tr')].find((row) =>
      [...row.querySelectorAll('td, th')].some((cell) => plain(cell.textContent).includes(words)),
    );
    return row
      ? [...row.querySelectorAll('td'), ...row.querySelectorAll('th')]
          .filter((cell) => isSeen(cell) && getComputedStyle(cell).textAlign === 'right')
          .map(read)
      : null;
  },
};

if (!tell) return looks[what]();

// Looked at again where the page changes: to ask from outside, again and again, takes more of the processor than most
// pages do. What changes without a trace in the document (an opacity, a scroll) is seen at the next beat.
const whenChanged = 15;
const beat = 150;
const patience = 1000;
const begun = performance.now();
let next = null;
const look = () => {
  next = null; // The change that led here is seen; the next one leads here again.
  const found = looks[what]();
  if (found !== null || performance.now() - begun > patience) {
    changes.disconnect();
    clearInterval(beats);
    clearTimeout(next);
    tell(found);
  }
};
const changes = new MutationObserver(() => (next ??= setTimeout(look, whenChanged)));
const beats = setInterval(look, beat);
changes.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
look();
