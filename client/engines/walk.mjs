/** How long a page may take to say or show something, in ms. */
const patience = 30_000;

const quoted = (text) => (text.includes("'") ? `"${text}"` : `'${text}'`);
const control = (words) =>
  `//*[self::a or self::button or self::summary][not(@aria-disabled)][starts-with(normalize-space(.), ${quoted(words)}) or starts-with(@aria-label, ${quoted(words)})]`;
const field = (label) => `//*[@id=//label[starts-with(normalize-space(.), ${quoted(label)})]/@for]`;
const choice = (label) => `//label[starts-with(normalize-space(.), ${quoted(label)})]//input`;

/** An owner's way through the pages in one engine, by what is written on them. */
export async function walk(browser, address) {
  const until = async (look, otherwise) => {
    const end = Date.now() + patience;
    while (Date.now() < end) {
      const found = await look().catch(() => null);
      if (found) {
        return found;
      }

      await new Promise((done) => setTimeout(done, 100));
    }

    const words = await browser.run('return location.href + "\\n" + document.body.innerText').catch(String);
    throw new Error(`${otherwise}\n${words.slice(0, 4000)}`);
  };
  const press = (words) => until(() => browser.press(control(words)), `“${words}” cannot be pressed`);
  const tick = (words) => until(() => browser.press(choice(words)), `“${words}” cannot be chosen`);
  const type = (label, text) => until(() => browser.type(field(label), text), `“${label}” cannot be filled`);
  const reads = (words) =>
    until(
      () => browser.run(`return document.body.innerText.includes(${JSON.stringify(words)})`),
      `the page does not say “${words}”`,
    );
  const code = () =>
    until(
      () =>
        browser.run(
          "const mail = await (await fetch('/api/mail')).json(); return mail.arrived.map(({ subject }) => subject.match(/^Your code: ([0-9]+)/)?.[1]).find(Boolean)",
        ),
      'no code was mailed',
    );
  const isWide = () =>
    browser.run('return document.documentElement.scrollWidth > document.documentElement.clientWidth');
  const checked = [];
  const page = async (name) => {
    if (await isWide()) {
      throw new Error(`${name} has to be scrolled sideways`);
    }

    checked.push(name);
  };

  await browser.go(address);
  await reads('What will your website really cost?');
  await page('start');
  await press('Open the example');
  await reads('You pay £65.15 today');
  await page('worksheet');
  await tick('every 3 years');
  await reads('You pay £167.60 today');
  await tick('yearly');
  await reads('You pay £65.15 today');
  await press('251.64');
  await reads('Why 251.64?');
  await press('Close');
  await press('3 years: change');
  await reads('or so many months');
  await press('3 years: change');
  await press('Domain');
  await type('The name you want', 'hourwork');
  await reads('premium name');
  await page('domain');
  await press('Worksheet');
  await press('Order A for £65.15');
  await reads('Read the name once more');
  await page('order');
  await type('Name', 'Ada Wren');
  await type('Mail address', `ada${Date.now()}@ostlerwren.example`);
  await type('Street and number', '4 Mill Lane');
  await type('Town', 'Hexworth');
  await type('Postcode', 'HX4 2AB');
  await type('Card number', '9999000000000004');
  await type('Expires', '09/29');
  await type('Code', '123');
  await tick('I have read what I buy');
  await press('Order A and pay £65.15');
  await reads('Is this your mail address?');
  await type('The six digits that were mailed to', await code());
  await press('Confirm');
  await reads('Key sheet for ostlerwren.com');
  await page('key sheet');
  await press('Upkeep');
  await reads('What you have');
  await until(
    () => browser.run("return !document.body.innerText.includes('Days are passing')"),
    'the day book is not opened',
  );
  await type('Skip to a date', '1 Dec 2027');
  await press('Move on');
  await reads('it is 1 December 2027');
  await page('upkeep');
  return checked;
}
