import { spawn } from 'node:child_process';

const port = 9_731;
// Under its driver the small browser writes its console nowhere: the page keeps what it would have said, from its first
// load on.
const listening = `
  window.complaints = [];
  const keep = (what) => window.complaints.push(String(what));
  for (const level of ['error', 'warn']) {
    const say = console[level];
    console[level] = (...words) => (keep(words.join(' ')), say.apply(console, words));
  }
  addEventListener('error', ({ message }) => keep(message));
  addEventListener('unhandledrejection', ({ reason }) => keep(reason));
  addEventListener('securitypolicyviolation', ({ violatedDirective, blockedURI }) => keep(violatedDirective + ' ' + blockedURI));`;

const miniBrowser = '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser';

/** WebKit's small browser, driven over WebDriver on a screen that nobody sees. */
export async function webkit() {
  const display = ':97';
  const screen = spawn('Xvfb', [display, '-screen', '0', '1400x1000x24'], { stdio: 'ignore' });
  const driver = spawn('WebKitWebDriver', [`--port=${port}`], {
    env: { ...process.env, DISPLAY: display, WEBKIT_DISABLE_DMABUF_RENDERER: '1', GDK_BACKEND: 'x11' },
  });
  const call = async (method, path, body) => {
    const answer = await fetch(`http://127.0.0.1:${port}${path}`, { method, body: body && JSON.stringify(body) });
    const { value } = await answer.json();
    if (value?.error) {
      throw new Error(`${value.error}: ${value.message}`);
    }

    return value;
  };
  const options = { binary: miniBrowser, args: ['--automation'] };
  const session = await eventually(() =>
    call('POST', '/session', { capabilities: { alwaysMatch: { 'webkitgtk:browserOptions': options } } }),
  );
  const at = `/session/${session.sessionId}`;
  await call('POST', `${at}/window/rect`, { width: 1280, height: 860 }).catch(() => null);
  const find = async (xpath) => {
    for (const found of await call('POST', `${at}/elements`, { using: 'xpath', value: xpath })) {
      const id = Object.values(found)[0];
      if (await call('GET', `${at}/element/${id}/displayed`)) {
        return id;
      }
    }

    return null;
  };
  return {
    name: `WebKit (${session.capabilities.browserName} ${session.capabilities.browserVersion})`,
    go: async (url) => {
      await call('POST', `${at}/url`, { url });
      await call('POST', `${at}/execute/sync`, { script: listening, args: [] });
    },
    run: (script) =>
      call('POST', `${at}/execute/async`, {
        script: `const done = arguments[0]; (async () => { ${script} })().then(done, (error) => done(String(error)));`,
        args: [],
      }),
    press: async (xpath) => {
      const id = await find(xpath);
      if (id) {
        await call('POST', `${at}/element/${id}/click`, {});
      }

      return id !== null;
    },
    type: async (xpath, text) => {
      const id = await find(xpath);
      if (id) {
        await call('POST', `${at}/element/${id}/clear`, {});
        await call('POST', `${at}/element/${id}/value`, { text });
      }

      return id !== null;
    },
    complaints: () => call('POST', `${at}/execute/sync`, { script: 'return window.complaints', args: [] }),
    end: async () => {
      await call('DELETE', at).catch(() => null);
      driver.kill();
      screen.kill();
    },
  };
}

/** Tries until it works; fails with the last fault after some seconds. */
async function eventually(act) {
  for (let tries = 0; ; tries++) {
    try {
      return await act();
    } catch (error) {
      if (tries === 40) {
        throw error;
      }

      await new Promise((done) => setTimeout(done, 250));
    }
  }
}
