// Drives the main path in Firefox and WebKit, beside Chromium: looks for errors, compares what is painted, prints how quick a
// drag is. Installs Debian's firefox-esr and webkit2gtk-driver where they are missing. Not part of ./test.
//   node scripts/engines.mjs [chromium] [firefox] [webkit]      after ./test or ./start has built everything
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const WebSocket = createRequire(join(root, 'web', 'package.json'))('ws');
const wait = (ms) => new Promise((done) => setTimeout(done, ms));
const folder = mkdtempSync(join(tmpdir(), 'moss-lantern-engines-'));
const children = [];
const start = (command, args, options = {}) => {
  const child = spawn(command, args, { stdio: 'ignore', ...options });
  children.push(child);
  return child;
};
const freePort = () =>
  new Promise((done) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => done(port));
    });
  });
async function until(what, condition, atMost = 30_000) {
  for (const end = Date.now() + atMost; Date.now() < end; await wait(60)) {
    const got = await condition().catch(() => null);
    if (got) return got;
  }
  throw new Error(`Waited ${atMost / 1000} s for ${what}.`);
}

function install() {
  const missing = [
    ['firefox-esr', 'firefox-esr'],
    ['WebKitWebDriver', 'webkit2gtk-driver'],
    ['Xvfb', 'xvfb'],
    ['chromedriver', 'chromium-driver'],
  ].filter(([command]) => spawnSync('which', [command]).status !== 0);
  if (missing.length > 0)
    spawnSync('apt-get', ['install', '-y', '-q', ...missing.map(([, p]) => p)], { stdio: 'inherit' });
}

/** A browser by the usual remote protocol: Chromium and WebKit. */
class Driven {
  constructor(base, session) {
    [this.base, this.session] = [base, session];
  }
  static async open(driver, port, capabilities, env) {
    start(driver, [`--port=${port}`], { env: { ...process.env, ...env } });
    const base = `http://127.0.0.1:${port}`;
    const made = await until(`${driver} to answer`, async () => {
      const answer = await fetch(`${base}/session`, {
        method: 'POST',
        body: JSON.stringify({ capabilities: { alwaysMatch: capabilities } }),
      });
      return answer.ok ? (await answer.json()).value : null;
    });
    return new Driven(base, made.sessionId);
  }
  async ask(path, body, method = 'POST') {
    const answer = await fetch(`${this.base}/session/${this.session}${path}`, {
      method,
      body: body && JSON.stringify(body),
    });
    const { value } = await answer.json();
    if (value?.error) throw new Error(`${value.error}: ${value.message}`);
    return value;
  }
  size = () => this.ask('/window/rect', { x: 0, y: 0, width: 1280, height: 940 });
  go = (url) => this.ask('/url', { url });
  run = (script, ...args) => this.ask('/execute/sync', { script, args });
  hand = (actions) => this.ask('/actions', { actions: [{ type: 'pointer', id: 'hand', actions }] });
  end = () => this.ask('', undefined, 'DELETE').catch(() => null);
  errors = () => this.run('return window.__errors ?? []');
}

/** Firefox by its own remote protocol, over a socket. */
class Firefox {
  asked = new Map();
  said = [];
  number = 0;
  static async open(port) {
    start('firefox-esr', [
      '--headless',
      `--remote-debugging-port=${port}`,
      '--profile',
      mkdtempSync(join(folder, 'firefox-')),
      '--width',
      '1280',
      '--height',
      '860',
    ]);
    const self = new Firefox();
    self.socket = await until(
      'Firefox to answer',
      () =>
        new Promise((done, fail) => {
          const socket = new WebSocket(`ws://127.0.0.1:${port}/session`);
          socket.once('open', () => done(socket)).once('error', fail);
        }),
    );
    self.socket.on('message', (text) => {
      const got = JSON.parse(text);
      if (got.method === 'log.entryAdded' && got.params.level === 'error') self.said.push(got.params.text);
      const waiting = self.asked.get(got.id);
      if (waiting) got.type === 'error' ? waiting.fail(new Error(got.message)) : waiting.done(got.result);
    });
    await self.ask('session.new', { capabilities: {} });
    await self.ask('session.subscribe', { events: ['log.entryAdded'] });
    self.page = (await self.ask('browsingContext.getTree', {})).contexts[0].context;
    return self;
  }
  ask(method, params) {
    const id = ++this.number;
    return new Promise((done, fail) => {
      this.asked.set(id, { done, fail });
      this.socket.send(JSON.stringify({ id, method, params }));
    });
  }
  size = () =>
    this.ask('browsingContext.setViewport', { context: this.page, viewport: { width: 1280, height: 800 } });
  go = (url) => this.ask('browsingContext.navigate', { context: this.page, url, wait: 'complete' });
  async run(script, ...args) {
    const { result, exceptionDetails } = await this.ask('script.evaluate', {
      expression: `JSON.stringify((function () { ${script} }).apply(null, ${JSON.stringify(args)}) ?? null)`,
      target: { context: this.page },
      awaitPromise: true,
    });
    if (exceptionDetails) throw new Error(exceptionDetails.text);
    return JSON.parse(result.value);
  }
  hand = (actions) =>
    this.ask('input.performActions', {
      context: this.page,
      actions: [{ type: 'pointer', id: 'hand', actions }],
    });
  end = async () => this.socket.close();
  errors = async () => this.said.splice(0);
}

const inWords = `
  window.__errors ??= (addEventListener('error', (e) => window.__errors.push(e.message)),
    addEventListener('unhandledrejection', (e) => window.__errors.push(String(e.reason))), []);`;
const picture = `
  const canvas = document.querySelector('.painted canvas.picture');
  if (!canvas || !canvas.width) return null;
  // The window is not equally large everywhere: what counts is the piece, wherever it lies.
  const { width, height } = canvas;
  const all = canvas.getContext('2d').getImageData(0, 0, width, height).data;
  let [left, top, right, bottom] = [width, height, 0, 0];
  for (let y = 0; y < height; y += 2)
    for (let x = 0; x < width; x += 2) {
      if (all[4 * (y * width + x) + 3] <= 200) continue;
      [left, top] = [Math.min(left, x), Math.min(top, y)];
      [right, bottom] = [Math.max(right, x), Math.max(bottom, y)];
    }
  if (right <= left) return null;
  // Means of cells, each engine scaling in a way of its own.
  const cells = [];
  for (let row = 0; row < 16; row++)
    for (let column = 0; column < 24; column++) {
      const sum = [0, 0, 0];
      let n = 0;
      for (let y = Math.floor(top + ((bottom - top) * row) / 16); y < top + ((bottom - top) * (row + 1)) / 16; y += 1)
        for (let x = Math.floor(left + ((right - left) * column) / 24); x < left + ((right - left) * (column + 1)) / 24; x += 1) {
          n++;
          for (let c = 0; c < 3; c++) sum[c] += (all[4 * (y * width + x) + c] * all[4 * (y * width + x) + 3]) / 255;
        }
      cells.push(...sum.map((v) => v / n));
    }
  return cells;`;
const grip = `
  const grips = [...document.querySelectorAll('.stage svg [role=slider]')];
  const one = grips.find((g) => /^(Heart|Edge|Field|Middle|Puddle|Spot|Wall)/.test(g.getAttribute('aria-label'))) ?? grips[0];
  if (!one) return null;
  const box = one.querySelector('.grip').getBoundingClientRect();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2].map(Math.round);
  return { name: one.getAttribute('aria-label'), value: one.getAttribute('aria-valuetext'), x, y };`;
const press = `
  const [role, name] = arguments;
  const found = [...document.querySelectorAll(role)].find((e) => (e.getAttribute('aria-label') ?? e.textContent).trim().startsWith(name));
  found?.click();
  return !!found;`;
const gripOf = `return [...document.querySelectorAll('[role=slider]')].find((g) => g.getAttribute('aria-label') === arguments[0])`;
const settled = `return !document.querySelector('[data-drafted]')
  && !/working|keeping/i.test(document.querySelector('.saving, .kept, [role=status]')?.textContent ?? '');`;

const pieces = [
  'marsh-light',
  'bogbean-round',
  'peat-pool',
  'sundew-pair',
  'sphagnum-pools',
  'water-mint',
  'heron-tray',
  'rain-ring',
  'old-kiln',
];

async function walk(name, browser, base, pictures) {
  const errors = [];
  const note = async (where) => errors.push(...(await browser.errors()).map((e) => `${where}: ${e}`));
  const at = async (path) => {
    await browser.go(base + path);
    await browser.run(inWords);
  };
  // Copies: what was poured is not dragged without a question.
  const copies = {};
  for (const piece of pieces) {
    const text = await (await fetch(`${base}/api/pieces/${piece}/piece.json`)).text();
    const made = await fetch(`${base}/api/pieces/import`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ text }),
    });
    copies[piece] = (await made.json()).id;
  }
  await browser.size();
  await at('/');
  await until('the shelf', () => browser.run(`return document.body.textContent.includes('Marsh Light')`));
  for (const piece of pieces) {
    await at(`/pieces/${copies[piece]}/map`);
    pictures[piece] = await until(`${piece} to be painted`, () => browser.run(picture));
    for (let before; String(before) !== String(pictures[piece]); await wait(400)) {
      before = pictures[piece];
      pictures[piece] = await browser.run(picture);
    }
    const held = await browser.run(grip);
    if (held) {
      const moves = Array.from({ length: 12 }, (_, i) => ({
        type: 'pointerMove',
        x: held.x + 3 * (i + 1),
        y: held.y + 2 * (i + 1),
        duration: 16,
      }));
      await browser.hand([
        { type: 'pointerMove', x: held.x, y: held.y, duration: 0 },
        { type: 'pointerDown', button: 0 },
        ...moves,
        { type: 'pointerUp', button: 0 },
      ]);
      await until(`${held.name} of ${piece} to be kept`, () =>
        browser.run(
          `return [...document.querySelectorAll('button')].some((b) => b.textContent === 'Undo' && !b.disabled)`,
        ),
      );
      await until(`${piece} to be painted after the drag`, () => browser.run(settled));
      const spoken = await browser.run(`${gripOf}?.getAttribute('aria-valuetext')`, held.name);
      if (spoken === held.value) errors.push(`${piece}: ${held.name} still says ${spoken} after the drag`);
      await browser.run(press, 'button', 'Undo');
      await until(`${piece} to be as it was`, () =>
        browser.run(`${gripOf}?.getAttribute('aria-valuetext') === arguments[1]`, held.name, held.value),
      );
    }
    await note(piece);
  }
  for (const [station, shows] of [
    ['cups', 'hardener'],
    ['pour', 'Order of pours'],
    ['cure', 'touch-dry'],
    ['story', 'What was poured'],
  ]) {
    await at(`/pieces/marsh-light/${station}`);
    await until(station, () => browser.run(`return document.body.textContent.includes(arguments[0])`, shows));
    await note(station);
  }
  await at('/speed?seconds=2');
  await until('the pieces', () => browser.run(press, 'button', 'Drag every piece'));
  const rows = await until(
    'every piece to be dragged',
    () =>
      browser.run(`
    const button = document.querySelector('.speed button');
    const rows = [...document.querySelectorAll('.speed tbody tr')].map((r) => [...r.children].map((c) => c.textContent));
    return button.disabled || rows.length === 0 ? null : rows;`),
    120_000,
  );
  await note('speed');
  console.log(`\n${name}`);
  for (const row of rows)
    console.log(
      `  ${row[0].padEnd(20)}${row[1].padStart(5)} answers   median ${row[2].padStart(7)}   95 of 100 within ${row[3].padStart(7)}`,
    );
  console.log(errors.length === 0 ? '  no errors' : errors.map((e) => `  ERROR ${e}`).join('\n'));
  return errors.length;
}

const apart = (a, b) => a.reduce((sum, v, i) => sum + Math.abs(v - b[i]), 0) / a.length;
const mostApart = 4;

async function main() {
  const asked = process.argv.slice(2);
  const wanted = asked.length > 0 ? asked : ['chromium', 'firefox', 'webkit'];
  install();
  let failed = 0;
  const seen = {};
  for (const name of wanted) {
    const port = await freePort();
    const base = `http://127.0.0.1:${port}`;
    const data = mkdtempSync(join(folder, 'data-'));
    const server = start(
      'dotnet',
      ['bin/Release/ahead/MossLantern.Web.dll', '--urls', base, '--demo', 'true', '--data', data],
      { cwd: join(root, 'src/MossLantern.Web') },
    );
    await until('the workshop', async () => (await fetch(`${base}/api/workshop`)).ok);
    const display = `:${90 + wanted.indexOf(name)}`;
    let browser;
    if (name === 'firefox') browser = await Firefox.open(await freePort());
    else if (name === 'webkit') {
      start('Xvfb', [display, '-screen', '0', '1400x1000x24']);
      const lib = readdirSync('/usr/lib')
        .map((d) => `/usr/lib/${d}`)
        .flatMap((d) => ['webkit2gtk-4.1', 'webkit2gtk-4.0'].map((w) => join(d, w, 'MiniBrowser')))
        .find(existsSync);
      browser = await Driven.open(
        'WebKitWebDriver',
        await freePort(),
        { browserName: 'MiniBrowser', 'webkitgtk:browserOptions': { binary: lib, args: ['--automation'] } },
        { DISPLAY: display, WEBKIT_DISABLE_SANDBOX_THIS_IS_DANGEROUS: '1' },
      );
    } else {
      browser = await Driven.open('chromedriver', await freePort(), {
        'goog:chromeOptions': { args: ['--headless=new', '--no-sandbox', '--disable-gpu'] },
      });
    }
    seen[name] = {};
    try {
      failed += await walk(name, browser, base, seen[name]);
    } catch (e) {
      failed++;
      console.log(`\n${name}\n  STOPPED ${e.message}`);
    }
    await browser.end();
    server.kill();
    if (name === 'chromium' || !seen.chromium) continue;
    for (const piece of pieces) {
      if (!seen[name][piece] || !seen.chromium[piece]) continue;
      const by = apart(seen[name][piece], seen.chromium[piece]);
      if (by > mostApart) failed++;
      console.log(
        `  ${piece.padEnd(20)}painted ${by.toFixed(2)} of 255 apart from Chromium${by > mostApart ? '  TOO FAR' : ''}`,
      );
    }
  }
  process.exitCode = failed > 0 ? 1 : 0;
}

try {
  await main();
} finally {
  for (const child of children) child.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
