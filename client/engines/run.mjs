// Walks through the application at the address given, in each engine besides the one that all other tests use.
import { firefox } from './firefox.mjs';
import { walk } from './walk.mjs';
import { webkit } from './webkit.mjs';

const [address] = process.argv.slice(2);
let failed = 0;
for (const open of [firefox, webkit]) {
  const browser = await open();
  try {
    const pages = await walk(browser, address);
    const complaints = [...(await browser.complaints())];
    if (complaints.length > 0) {
      throw new Error(`its console says: ${complaints.join('\n')}`);
    }

    // That nothing was said counts only where it would have been heard.
    await browser.run("console.error('planted')");
    await new Promise((done) => setTimeout(done, 500));
    if (!(await browser.complaints()).some((said) => said.includes('planted'))) {
      throw new Error('its console cannot be read');
    }

    console.log(`${browser.name}: ${pages.join(', ')}`);
  } catch (error) {
    failed++;
    console.error(`${browser.name} failed: ${error.message}`);
  } finally {
    await browser.end();
  }
}

process.exit(failed);
