import type { Cup, FilledLayer, Layout, Zone } from '../../piece/filled';
import type { LayerView } from '../../api/client';
import { laidOut, layoutOf as apiLayoutOf } from '../../piece/filled';
import { freeId, newCup } from './layerEdits';

export type Kind = 'rings' | Layout['kind'];
export type Of<K extends Layout['kind']> = Extract<Layout, { kind: K }>;
type Box = LayerView['box'];

/** The ways of laying out, in the words of the sentence that chooses one. */
export const kinds: readonly (readonly [Kind, string])[] = [
  ['rings', 'rings from hearts'],
  ['lines', 'lines from the rim to the middle'],
  ['fields', 'fields in threes'],
  ['pools', 'pools between walls'],
  ['puddle', 'one puddle of many colours'],
  ['petals', 'petals drawn with a tool'],
  ['marble', 'marble with a mixed cup'],
  ['flood', 'one colour over all'],
];

export const kindOf = (layer: FilledLayer): Kind => layer.layout?.kind ?? 'rings';

/** The layer's layout, where it is of a kind. */
export function layoutOf<K extends Layout['kind']>(layer: FilledLayer, kind: K): Of<K> | null {
  return layer.layout?.kind === kind ? (layer.layout as Of<K>) : null;
}

export const changeLayout =
  <K extends Layout['kind']>(kind: K, change: (layout: Of<K>) => Of<K>) =>
  (layer: FilledLayer): FilledLayer => {
    const own = layoutOf(layer, kind);
    return own ? { ...layer, layout: change(own) } : layer;
  };

/** Every cup that something is poured or mixed from. */
export function cupsInUse(layer: FilledLayer): Set<string> {
  const poured = new Set([
    ...laidOutFrom(layer),
    ...(layer.zones ?? []).flatMap((z) => laidOutFrom(inZone(layer, z))),
  ]);
  for (const cup of layer.cups) if (poured.has(cup.id)) cup.of?.forEach((share) => poured.add(share.cup));
  return poured;
}

function laidOutFrom(layer: FilledLayer): string[] {
  const { layout } = layer;
  const bands = [layer.heartCup, ...layer.bands.map((b) => b.cup)];
  switch (layout?.kind) {
    // What lies idle in the document still names its cups.
    case undefined:
    case 'petals':
      return bands;
    case 'lines':
      return [...bands, layout.startCup];
    case 'fields':
      return [
        ...bands,
        ...layout.colours,
        ...(layout.recoloured ?? []).map((r) => r.cup),
        ...(layout.vein ? [layout.vein.cup] : []),
      ];
    case 'pools':
      return [...bands, ...layout.pools.map((p) => p.cup)];
    case 'puddle':
      return [...bands, ...layout.pours.map((p) => p.cup), ...(layout.restCup ? [layout.restCup] : [])];
    case 'marble':
      return [...bands, layout.groundCup, layout.streakCup];
    case 'flood':
      return [...bands, layout.cup];
  }
}

const isColour = (cup: Cup) => cup.colourant !== null && !cup.of;

/** At least so many coloured cups. */
function withColours(layer: FilledLayer, count: number): FilledLayer {
  let next = layer;
  while (next.cups.filter(isColour).length < count) next = { ...next, cups: [...next.cups, newCup(next)] };
  return next;
}

/** A cup of clear, the layer's own or a new one. */
export function withClear(layer: FilledLayer): [FilledLayer, string] {
  const own = layer.cups.find((c) => c.colourant === null && !c.of);
  if (own) return [layer, own.id];
  const cup = newCup(layer, { name: 'clear', colour: '#eef0ea', colourant: null, loadPercent: 0 });
  return [{ ...layer, cups: [...layer.cups, cup] }, cup.id];
}

/** Without cups that nothing names any more. */
export function withCupsInUse(layer: FilledLayer): FilledLayer {
  const used = cupsInUse(layer);
  return { ...layer, cups: layer.cups.filter((c) => used.has(c.id)) };
}

const idle = (layer: FilledLayer, cup: string): FilledLayer => ({
  ...layer,
  bands: [{ id: 'band-1', widthMm: 10, fillsRest: true, cup }],
  heartCup: cup,
  pourOrder: [],
});

/**
 * The layer laid out in another way: as it was when that was put by, else anew with the colours that it has. What it is now
 * is put by.
 */
export function laidOutAs(layer: FilledLayer, kind: Kind, box: Box): FilledLayer {
  const was = kindOf(layer);
  if (kind === was) return layer;
  const before = layer.aside.find((l) => l.kind === kind);
  const aside = [...layer.aside.filter((l) => l.kind !== kind && l.kind !== was), apiLayoutOf(layer)];
  const known = layer.cups.map((c) => c.id);
  const all = [...layer.cups, ...layer.all.filter((c) => !known.includes(c.id))];
  const next = before
    ? withCupsInUse({ ...layer, ...laidOut(before, aside), cups: all, pourOrder: [] })
    : laidOutAnew(layer, kind, box);
  return { ...next, aside, all };
}

function laidOutAnew(layer: FilledLayer, kind: Kind, box: Box): FilledLayer {
  const [x, y] = [Math.round(box.xMm + box.widthMm / 2), Math.round(box.yMm + box.heightMm / 2)];
  const small = Math.min(box.widthMm, box.heightMm);
  const base = { ...layer, layout: null, pourOrder: [] };
  if (kind === 'rings') return base;
  if (kind === 'lines') {
    const [clear, start] = withClear(withColours(base, 3));
    const width = Math.max(2, Math.round(small / 40));
    const lines = clear.bands.filter((b) => !b.fillsRest);
    const cups = clear.cups.filter(isColour).slice(0, 3);
    return withCupsInUse({
      ...clear,
      hearts: [],
      heartCup: start,
      bands: [
        { id: 'push', widthMm: width, fillsRest: true, cup: start },
        ...(lines.length > 0
          ? lines.filter((b) => b.id !== 'push')
          : cups.map((c, i) => ({ id: `line-${i + 1}`, widthMm: width, fillsRest: false, cup: c.id }))),
      ],
      layout: {
        kind,
        startCup: start,
        startMm: Math.round(layer.depthMm * 3) / 10,
        wavinessMm: Math.round(Math.min(12, small / 30)),
        seed: 7,
      },
    });
  }
  if (kind === 'petals') {
    const full = withColours(base, 4);
    const rings = full.bands.length > 2 ? full.bands : ringsOf(full, small / 12);
    return withCupsInUse({
      ...full,
      hearts: [],
      bands: rings,
      heartCup: rings[0]!.cup,
      layout: {
        kind,
        xMm: x,
        yMm: y,
        petals: 8,
        pullMm: Math.round(small / 8),
        inward: true,
        toolMm: Math.max(2, Math.round(small / 50)),
        turnDeg: -90,
      },
    });
  }
  const full = withColours(base, { fields: 4, puddle: 3, marble: 3, pools: 1, flood: 1 }[kind]);
  const own = full.cups.filter(isColour).map((c) => c.id);
  const plain = { ...idle(full, own[0]!), hearts: [] };
  switch (kind) {
    case 'fields': {
      const chosen = own.slice(0, 5);
      return withCupsInUse({
        ...plain,
        layout: { kind, fields: 3 * chosen.length, colours: chosen, seed: 7 },
      });
    }
    case 'pools':
      return withCupsInUse({
        ...plain,
        layout: {
          kind,
          strokes: [],
          beadMm: 3,
          pools: [{ id: 'pool-1', xMm: x, yMm: y, cup: own[0]! }],
        },
      });
    case 'puddle': {
      const fits = (box.widthMm * box.heightMm * layer.depthMm) / 1000;
      const cups = own.slice(0, 5);
      const ml = Math.max(1, Math.round((0.35 * fits) / cups.length));
      const pours = cups.map((cup, i) => ({ id: `pour-${i + 1}`, cup, ml }));
      return withCupsInUse({ ...plain, layout: { kind, xMm: x, yMm: y, pours, tiltDeg: 0, tiltPercent: 0 } });
    }
    case 'marble': {
      const mix = { ...mixOf(plain, own[1]!, own[2]!) };
      return withCupsInUse({
        ...plain,
        cups: [...plain.cups, mix],
        layout: {
          kind,
          groundCup: own[0]!,
          streakCup: mix.id,
          streakPercent: 35,
          blend: 0.3,
          directionDeg: 20,
          seed: 7,
        },
      });
    }
    case 'flood':
      return withCupsInUse({ ...plain, layout: { kind, cup: own[0]! } });
  }
}

function mixOf(layer: FilledLayer, first: string, second: string): Cup {
  const name = layer.cups.find((c) => c.id === first)!.name;
  const mix = { name: `${name} mix`, colour: '#999999', colourant: null, loadPercent: 0 };
  return {
    ...newCup(layer, mix),
    of: [
      { cup: first, parts: 1 },
      { cup: second, parts: 1 },
    ],
  };
}

const ringsOf = (layer: FilledLayer, width: number) =>
  layer.cups.filter(isColour).map((c, i, all) => ({
    id: `band-${i + 1}`,
    widthMm: Math.max(1, Math.round(width)),
    fillsRest: i === all.length - 1,
    cup: c.id,
  }));

/** The sequence of lines, which is laid so many times already, once more further in. */
export function sequenceAgain(layer: FilledLayer, repeats: number): FilledLayer {
  const lines = layer.bands.filter((b) => !b.fillsRest);
  const taken = layer.bands.map((b) => b.id);
  const again = lines.slice(0, Math.round(lines.length / repeats)).map((line) => {
    const id = freeId('line', taken);
    taken.push(id);
    return { ...line, id };
  });
  const fill = layer.bands.findIndex((b) => b.fillsRest);
  return { ...layer, bands: layer.bands.toSpliced(fill + 1, 0, ...again) };
}

/** Another pour of a puddle, of a colour of its own. */
export function withPour(layer: FilledLayer): FilledLayer {
  const cup = newCup(layer);
  return changeLayout('puddle', (p) => ({
    ...p,
    pours: [
      ...p.pours,
      {
        id: freeId(
          'pour',
          p.pours.map((x) => x.id),
        ),
        cup: cup.id,
        ml: p.pours.at(-1)?.ml ?? 20,
      },
    ],
  }))({ ...layer, cups: [...layer.cups, cup] });
}

/** Another colour among the fields, and three more of them. */
export function withFieldColour(layer: FilledLayer): FilledLayer {
  const cup = newCup(layer);
  return changeLayout('fields', (f) => ({
    ...f,
    colours: [...f.colours, cup.id],
    fields: Math.min(60, f.fields + 3),
  }))({ ...layer, cups: [...layer.cups, cup] });
}

export function withoutFieldColour(layer: FilledLayer, cup: string): FilledLayer {
  return withCupsInUse(
    changeLayout('fields', (f) => ({
      ...f,
      colours: f.colours.filter((c) => c !== cup),
      recoloured: (f.recoloured ?? []).filter((r) => r.cup !== cup),
    }))(withoutIdleOn(layer, cup)),
  );
}

/** Idle bands and the idle heart bed let go of a cup. */
function withoutIdleOn(layer: FilledLayer, cup: string): FilledLayer {
  const other = layer.cups.find((c) => c.id !== cup)?.id ?? cup;
  const of = (id: string) => (id === cup ? other : id);
  return {
    ...layer,
    heartCup: of(layer.heartCup),
    bands: layer.bands.map((b) => ({ ...b, cup: of(b.cup) })),
  };
}

/** A highlight vein along the borders of the fields, metallic if there is such a cup. */
export function withVein(layer: FilledLayer): FilledLayer {
  const metal = layer.cups.find((c) => c.colourant === 'metallic-paste');
  const cup =
    metal ?? newCup(layer, { name: 'gilt', colour: '#c99b3a', colourant: 'metallic-paste', loadPercent: 5 });
  return changeLayout('fields', (f) => ({
    ...f,
    vein: { cup: cup.id, widthMm: 3, thicknessMm: 1 },
  }))(metal ? layer : { ...layer, cups: [...layer.cups, cup] });
}

export const withoutVein = (layer: FilledLayer) =>
  withCupsInUse(changeLayout('fields', (f) => ({ ...f, vein: null }))(layer));

export const moveField = (field: number, xMm: number, yMm: number) =>
  changeLayout('fields', (f) => ({
    ...f,
    moved: [
      ...(f.moved ?? []).filter((m) => m.field !== field),
      { field, xMm: Math.round(xMm), yMm: Math.round(yMm) },
    ],
  }));

/** A field moved by so much from where it is now. */
export const stepField = (field: number, anchor: Spot, byX: number, byY: number) => (layer: FilledLayer) => {
  const at = layoutOf(layer, 'fields')?.moved?.find((m) => m.field === field) ?? anchor;
  return moveField(field, at.xMm + byX, at.yMm + byY)(layer);
};

export const recolourField = (field: number, cup: string | null) =>
  changeLayout('fields', (f) => ({
    ...f,
    recoloured: [
      ...(f.recoloured ?? []).filter((r) => r.field !== field),
      ...(cup === null ? [] : [{ field, cup }]),
    ],
  }));

type Spot = { xMm: number; yMm: number };

/** A wall drawn by hand, thinned to what its course needs. */
export const withStroke = (layer: FilledLayer, spots: Spot[]) => withWall(layer, thinned(spots, 0.8));

/** A wall through spots. */
export function withWall(layer: FilledLayer, spots: Spot[]): FilledLayer {
  if (spots.length < 2) return layer;
  return changeLayout('pools', (p) => ({
    ...p,
    strokes: [
      ...p.strokes,
      {
        id: freeId(
          'wall',
          p.strokes.map((s) => s.id),
        ),
        spots: spots.map((s) => ({ xMm: Math.round(s.xMm * 10) / 10, yMm: Math.round(s.yMm * 10) / 10 })),
      },
    ],
  }))(layer);
}

/** Drops spots that lie within a tolerance of the line without them. */
export function thinned(spots: Spot[], tolerance: number): Spot[] {
  if (spots.length < 3) return spots;
  const [first, last] = [spots[0]!, spots.at(-1)!];
  const [dx, dy] = [last.xMm - first.xMm, last.yMm - first.yMm];
  const length = Math.hypot(dx, dy);
  let [worst, far] = [0, tolerance];
  spots.forEach((s, i) => {
    const off =
      length > 0
        ? Math.abs((s.xMm - first.xMm) * dy - (s.yMm - first.yMm) * dx) / length
        : Math.hypot(s.xMm - first.xMm, s.yMm - first.yMm);
    if (off > far) [worst, far] = [i, off];
  });
  if (worst === 0) return [first, last];
  return [
    ...thinned(spots.slice(0, worst + 1), tolerance).slice(0, -1),
    ...thinned(spots.slice(worst), tolerance),
  ];
}

export const moveSpot = (stroke: string, index: number, xMm: number, yMm: number) =>
  changeLayout('pools', (p) => ({
    ...p,
    strokes: p.strokes.map((s) =>
      s.id === stroke
        ? { ...s, spots: s.spots.with(index, { xMm: Math.round(xMm), yMm: Math.round(yMm) }) }
        : s,
    ),
  }));

/** A spot of a wall moved by so much from where it is now. */
export const stepSpot = (stroke: string, index: number, byX: number, byY: number) => (layer: FilledLayer) => {
  const at = layoutOf(layer, 'pools')?.strokes.find((s) => s.id === stroke)?.spots[index];
  return at ? moveSpot(stroke, index, at.xMm + byX, at.yMm + byY)(layer) : layer;
};

/** The cup of a pool: an own one for a pool that has none yet. */
export function colourPool(
  layer: FilledLayer,
  pool: { id: string; anchor?: Spot | null },
  cup: string,
): FilledLayer {
  return changeLayout('pools', (p) => {
    if (p.pools.some((x) => x.id === pool.id))
      return { ...p, pools: p.pools.map((x) => (x.id === pool.id ? { ...x, cup } : x)) };
    const { xMm, yMm } = pool.anchor ?? { xMm: 0, yMm: 0 };
    // Chosen again before the map has answered: it is the same pool still, under the id it got.
    const again = p.pools.find((x) => x.xMm === xMm && x.yMm === yMm);
    if (again) return { ...p, pools: p.pools.map((x) => (x === again ? { ...x, cup } : x)) };
    const id = freeId(
      'pool',
      p.pools.map((x) => x.id),
    );
    return { ...p, pools: [...p.pools, { id, xMm, yMm, cup }] };
  })(layer);
}

export function withPoolCup(layer: FilledLayer, pool: { id: string; anchor?: Spot | null }): FilledLayer {
  const cup = newCup(layer);
  return colourPool({ ...layer, cups: [...layer.cups, cup] }, pool, cup.id);
}

/** A layer as it is inside one of its zones. */
export const inZone = (layer: FilledLayer, zone: Zone): FilledLayer => ({
  ...layer,
  layout: zone.layout,
  hearts: zone.hearts,
  bands: zone.bands,
  rimFollow: zone.rimFollow,
  heartCup: zone.heartCup,
  widening: zone.widening,
  rimWay: zone.rimWay,
  aside: zone.aside,
  zones: null,
});

/** A change of a layer, made inside one of its zones. */
export const onZone =
  (zoneId: string, change: (layer: FilledLayer) => FilledLayer) =>
  (layer: FilledLayer): FilledLayer => {
    const zone = layer.zones?.find((z) => z.id === zoneId);
    if (!zone) return layer;
    const inner = change(inZone(layer, zone));
    const { layout, aside, hearts, bands, rimFollow, heartCup, widening, rimWay } = inner;
    const changed = { ...zone, layout, aside, hearts, bands, rimFollow, heartCup, widening, rimWay };
    const outside = layer.cups.filter((c) => !inner.cups.some((own) => own.id === c.id));
    const next = {
      ...layer,
      cups: [...inner.cups, ...outside],
      zones: layer.zones!.map((z) => (z.id === zoneId ? changed : z)),
    };
    // A cup that went back to the sink inside may still be used outside.
    const used = cupsInUse(next);
    return { ...next, cups: next.cups.filter((c) => !outside.includes(c) || used.has(c.id)) };
  };

/** A round zone off the middle, flooded with a colour of its own to begin with. */
export function withZone(layer: FilledLayer, box: Box): FilledLayer {
  const cup = newCup(layer);
  const ids = (layer.zones ?? []).map((z) => z.id);
  const id = freeId('zone', ids);
  const across = Math.round(Math.max(10, Math.min(box.widthMm, box.heightMm) * 0.35));
  return {
    ...layer,
    cups: [...layer.cups, cup],
    zones: [
      ...(layer.zones ?? []),
      {
        id,
        name: `Zone ${ids.length + 1}`,
        outline: { shape: 'round', diameterMm: across },
        xMm: Math.round(box.xMm + box.widthMm * 0.6 - across / 2),
        yMm: Math.round(box.yMm + box.heightMm * (0.3 + 0.2 * (ids.length % 3)) - across / 2),
        layout: { kind: 'flood', cup: cup.id },
        hearts: [],
        bands: [{ id: 'band-1', widthMm: 10, fillsRest: true, cup: cup.id }],
        rimFollow: 0,
        heartCup: cup.id,
        widening: 1,
        rimWay: 'proportional',
        aside: [],
      },
    ],
  };
}

export const withoutZone = (layer: FilledLayer, id: string) =>
  withCupsInUse({ ...layer, zones: (layer.zones ?? []).filter((z) => z.id !== id) });
