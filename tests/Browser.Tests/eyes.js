// What can be seen on the page, and read or pressed: [what is looked for, what it says].
const [what, words] = arguments;

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

return looks[what]();
