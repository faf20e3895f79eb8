import puppeteer from 'puppeteer-core';

/** Firefox, driven over WebDriver BiDi. */
export async function firefox() {
  const browser = await puppeteer.launch({
    browser: 'firefox',
    executablePath: '/usr/bin/firefox-esr',
    headless: true,
  });
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  const complaints = [];
  page.on('console', (message) => /^(error|warn)/.test(message.type()) && complaints.push(message.text()));
  page.on('pageerror', (error) => complaints.push(String(error)));
  const find = async (xpath) => {
    const handle = await page.evaluateHandle((path) => {
      const found = document.evaluate(path, document, null, XPathResult.ORDERED_NODE_SNAPSHOT_TYPE);
      return [...Array(found.snapshotLength).keys()]
        .map((at) => found.snapshotItem(at))
        .find((one) => one.checkVisibility());
    }, xpath);
    return handle.asElement();
  };
  return {
    name: `Firefox ${(await browser.version()).split('/').at(-1)}`,
    go: (address) => page.goto(address),
    run: (script) => page.evaluate(`(async () => { ${script} })()`),
    press: async (xpath) => (await find(xpath))?.click().then(() => true),
    type: async (xpath, text) => {
      const field = await find(xpath);
      await field?.evaluate((element) => element.select?.());
      await field?.type(text);
      return field !== null;
    },
    complaints: () => complaints,
    end: () => browser.close(),
  };
}
