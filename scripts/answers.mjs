// What the program answers of a workshop, piece by piece, so that a change of the house can be held against what it was.
//   node scripts/answers.mjs take workshop.db FOLDER      after ./test or ./start has built everything
//   node scripts/answers.mjs compare FOLDER OTHER         lists every difference
import { spawn } from 'node:child_process';
import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const [what, from, to] = process.argv.slice(2);

/** What is asked of every piece; what ends in a picture's ending is kept byte for byte. */
const ofPiece = [
  '',
  '/painting',
  '/painting?wet=true',
  '/picture.png?width=400',
  '/map.svg',
  '/outline.svg',
  '/template.pdf',
  '/piece.json',
  '/versions',
];
const ofWorkshop = [
  '/workshop',
  '/materials',
  '/formulas',
  '/fields',
  '/prices',
  '/pieces',
  '/aside',
  '/ribbon',
  '/moulds',
  '/pots',
  '/sequences',
];

/** Names that are others by now: what was taken before is read as if it had been told by today's. */
const renamed = {
  keys: { steps: 'pours', pour: 'span', place: 'pin' },
  values: { 'lines-need': 'stripes-need', run: 'bleed' },
};

/** Where a key by itself says too little: in plans of sittings and in findings. */
const renamedIn = /\.sittings\[\d+\]$|\.findings\[\d+\]$/;

function today(value, at = '') {
  if (Array.isArray(value)) return value.map((v, i) => today(v, `${at}[${i}]`));
  if (value === null || typeof value !== 'object')
    return (typeof value === 'string' && renamed.values[value]) || value;
  return Object.fromEntries(
    Object.entries(value).map(([k, v]) => [
      (at.startsWith('.plan') && renamedIn.test(at) && renamed.keys[k]) || k,
      today(v, `${at}.${k}`),
    ]),
  );
}

/** What another moment changes, and no other thing. */
const byMoment = new Set(['now', 'state', 'renewing', 'picture']);

const freePort = () =>
  new Promise((done) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => done(port));
    });
  });

const name = (path) => `${path.replace(/^\//, '').replace(/[^\w.=-]+/g, '_') || 'view'}`;

async function take(file, folder) {
  const data = mkdtempSync(join(tmpdir(), 'moss-lantern-answers-'));
  copyFileSync(file, join(data, 'workshop.db'));
  const base = `http://127.0.0.1:${await freePort()}`;
  const server = spawn(
    'dotnet',
    ['bin/Release/net10.0/MossLantern.Web.dll', '--urls', base, '--data', data],
    {
      cwd: join(root, 'src/MossLantern.Web'),
      stdio: 'ignore',
    },
  );
  try {
    for (const end = Date.now() + 30_000; ; await new Promise((d) => setTimeout(d, 100))) {
      if (
        await fetch(`${base}/api/workshop`).then(
          (a) => a.ok,
          () => false,
        )
      )
        break;
      if (Date.now() > end) throw new Error('The workshop does not answer.');
    }
    const keep = async (path, place) => {
      const answer = await fetch(`${base}/api${path}`);
      const bytes = Buffer.from(await answer.arrayBuffer());
      const json = answer.headers.get('content-type')?.includes('json');
      mkdirSync(join(folder, ...place.slice(0, -1)), { recursive: true });
      writeFileSync(
        join(folder, ...place),
        json ? `${answer.status}\n${JSON.stringify(JSON.parse(bytes.toString()), null, 1)}\n` : bytes,
      );
      return json ? JSON.parse(bytes.toString()) : null;
    };
    for (const path of ofWorkshop) await keep(path, [name(path)]);
    const shelf = await (await fetch(`${base}/api/pieces`)).json();
    for (const piece of shelf.pieces ?? shelf)
      for (const path of ofPiece) await keep(`/pieces/${piece.id}${path}`, [piece.id, name(path)]);
    console.log(`${(shelf.pieces ?? shelf).length} pieces taken`);
  } finally {
    server.kill();
    rmSync(data, { recursive: true, force: true });
  }
}

function* differences(a, b, at) {
  if (typeof a !== typeof b || a === null || b === null || typeof a !== 'object') {
    const near =
      typeof a === 'number' && typeof b === 'number' && Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a));
    if (a !== b && !near) yield [at, a, b];
    return;
  }
  for (const key of new Set([...Object.keys(a), ...Object.keys(b)]))
    if (!byMoment.has(key))
      yield* differences(a[key], b[key], Array.isArray(a) ? `${at}[${key}]` : `${at}.${key}`);
}

const files = (folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile())
    .map((f) => join(f.parentPath, f.name).slice(folder.length + 1));

function compare(before, after) {
  let [found, numbers] = [0, 0];
  const tell = (line) => found++ < 400 && console.log(line);
  for (const file of new Set([...files(before), ...files(after)])) {
    let texts;
    try {
      texts = [before, after].map((f) => readFileSync(join(f, file)));
    } catch {
      tell(`${file}: only on one side`);
      continue;
    }
    if (texts[0].equals(texts[1])) continue;
    if (!/^\d{3}\n/.test(texts[0].toString())) {
      tell(`${file}: other bytes (${texts[0].length}, ${texts[1].length})`);
      continue;
    }
    const [was, b] = texts.map((t) => JSON.parse(t.toString().slice(4)));
    const a = today(was);
    for (const [at, was, is] of differences(a, b, '')) {
      if (file === 'ribbon' && at.startsWith('.to.')) continue;
      if (typeof was === 'number' || typeof is === 'number') numbers++;
      tell(`${file} ${at}: ${JSON.stringify(was)?.slice(0, 80)} -> ${JSON.stringify(is)?.slice(0, 80)}`);
    }
  }
  console.log(`${found} differences, ${numbers} of them in numbers`);
  process.exitCode = found > 0 ? 1 : 0;
}

if (what === 'take' && to) await take(from, to);
else if (what === 'compare' && to) compare(from.replace(/\/$/, ''), to.replace(/\/$/, ''));
else console.error('usage: answers.mjs take workshop.db FOLDER | compare FOLDER OTHER');
