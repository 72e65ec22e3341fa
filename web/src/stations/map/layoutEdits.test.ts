import { layoutOf as apiLayoutOf, type Cup, type FilledLayer } from '../../piece/filled';
import { describe, expect, it } from 'vitest';

import {
  colourPool,
  cupsInUse,
  inZone,
  kinds,
  laidOutAs,
  layoutOf,
  moveField,
  onZone,
  recolourField,
  sequenceAgain,
  stepField,
  thinned,
  withFieldColour,
  withPoolCup,
  withPour,
  withStroke,
  withVein,
  withWall,
  withZone,
  withoutFieldColour,
  withoutVein,
  withoutZone,
} from './layoutEdits';

const box = { xMm: 0, yMm: 0, widthMm: 400, heightMm: 300 };
const cup = (id: string, more: Partial<Cup> = {}): Cup => ({
  id,
  name: id,
  colour: '#30503a',
  colourant: 'paste',
  loadPercent: 4,
  ...more,
});
const layer = (more: Partial<FilledLayer> = {}): FilledLayer =>
  ({
    id: 'layer-1',
    name: 'Layer',
    depthMm: 3,
    hearts: [{ id: 'h', xMm: 100, yMm: 100, widthMm: 40, heightMm: 30, turnDeg: 0, wavinessMm: 8, seed: 3 }],
    bands: [
      { id: 'b1', widthMm: 8, fillsRest: false, cup: 'moss' },
      { id: 'b2', widthMm: 10, fillsRest: true, cup: 'bone' },
    ],
    heartCup: 'moss',
    rimFollow: 0,
    widening: 1,
    pourOrder: ['heart'],
    layout: null,
    aside: [],
    all: [],
    cups: [cup('moss'), cup('bone')],
    ...more,
  }) as FilledLayer;

/** Every cup that something names is there. */
const whole = (l: FilledLayer) => {
  const ids = new Set(l.cups.map((c) => c.id));
  expect(l.cups.length).toBe(ids.size);
  for (const id of cupsInUse(l)) expect(ids).toContain(id);
  expect(l.bands.filter((b) => b.fillsRest)).toHaveLength(1);
};

describe('a layer laid out in another way', () => {
  it.each(kinds.map(([kind]) => kind))('as %s names only cups that it has', (kind) => {
    const to = laidOutAs(layer(), kind, box);
    whole(to);
    expect(to.layout?.kind ?? 'rings').toBe(kind);
    // And back again.
    const back = laidOutAs(to, 'rings', box);
    whole(back);
    expect({ ...back, aside: [], all: [], cups: [], pourOrder: [] }).toEqual({
      ...layer({ cups: [], pourOrder: [] }),
      rimWay: back.rimWay,
    });
    // What it was meanwhile is put by, once.
    expect(back.aside.map((l) => l.kind)).toEqual(kind === 'rings' ? [] : [kind]);
    expect(apiLayoutOf(laidOutAs(back, kind, box))).toEqual(apiLayoutOf(to));
  });

  it('keeps what it is when it is that already', () => {
    const rings = layer();
    expect(laidOutAs(rings, 'rings', box)).toBe(rings);
  });

  it('as lines keeps the bands as lines, clear in the middle and below', () => {
    const lines = laidOutAs(layer(), 'lines', box);
    expect(lines.bands.map((b) => b.fillsRest)).toEqual([true, false]);
    const clear = lines.cups.find((c) => c.id === lines.bands[0]!.cup)!;
    expect(clear.colourant).toBeNull();
    expect(layoutOf(lines, 'lines')?.startCup).toBe(clear.id);
    expect(layoutOf(lines, 'lines')!.startMm).toBeLessThan(lines.depthMm);
  });

  it('as marble fills a mixed cup from two of its colours', () => {
    const marble = laidOutAs(layer(), 'marble', box);
    const mix = marble.cups.find((c) => c.id === layoutOf(marble, 'marble')?.streakCup);
    expect(mix?.of).toHaveLength(2);
    expect(cupsInUse(marble)).toContain(mix!.of![1]!.cup);
  });
});

it('a sequence of lines is laid again further in, each line with an id of its own', () => {
  const once = laidOutAs(layer(), 'lines', box);
  const thrice = sequenceAgain(sequenceAgain(once, 1), 2);
  expect(thrice.bands.map((b) => b.cup)).toEqual([once.bands[0]!.cup, 'moss', 'moss', 'moss']);
  expect(new Set(thrice.bands.map((b) => b.id)).size).toBe(4);
});

describe('fields', () => {
  const fields = laidOutAs(layer(), 'fields', box);

  it('are as many for every colour when one comes or goes', () => {
    const before = layoutOf(fields, 'fields')!;
    const more = withFieldColour(fields);
    expect(layoutOf(more, 'fields')!.fields).toBe(before.fields + 3);
    const gone = layoutOf(more, 'fields')!.colours.at(-1)!;
    const fewer = withoutFieldColour(more, gone);
    whole(fewer);
    expect(fewer.cups.some((c) => c.id === gone)).toBe(false);
  });

  it('remember one place and one colour chosen by hand for each', () => {
    const moved = moveField(2, 31.4, 9.6)(moveField(2, 1, 1)(fields));
    expect(layoutOf(moved, 'fields')!.moved).toEqual([{ field: 2, xMm: 31, yMm: 10 }]);
    const red = recolourField(2, 'bone')(recolourField(2, 'moss')(fields));
    expect(layoutOf(red, 'fields')!.recoloured).toEqual([{ field: 2, cup: 'bone' }]);
    expect(layoutOf(recolourField(2, null)(red), 'fields')!.recoloured).toEqual([]);
  });

  it('take one step after another from where they are', () => {
    const stepped = stepField(
      3,
      { xMm: 50, yMm: 60 },
      0,
      1,
    )(stepField(3, { xMm: 50, yMm: 60 }, 10, 0)(fields));
    expect(layoutOf(stepped, 'fields')!.moved).toEqual([{ field: 3, xMm: 60, yMm: 61 }]);
  });

  it('have a metallic vein that goes with its cup', () => {
    const veined = withVein(fields);
    whole(veined);
    expect(veined.cups.at(-1)!.colourant).toBe('metallic-paste');
    expect(withoutVein(veined).cups).toHaveLength(fields.cups.length);
    const own = layer({ cups: [cup('moss'), cup('bone'), cup('gold', { colourant: 'metallic-paste' })] });
    expect(layoutOf(withVein(laidOutAs(own, 'fields', box)), 'fields')!.vein!.cup).toBe('gold');
  });
});

describe('pools', () => {
  const pools = laidOutAs(layer(), 'pools', box);
  const spot = (xMm: number, yMm: number) => ({ xMm, yMm });

  it('take a wall as it was drawn, thinned to its course', () => {
    const spots = Array.from({ length: 50 }, (_, i) => spot(i * 4, i < 25 ? 0 : (i - 24) * 4));
    const drawn = layoutOf(withStroke(pools, spots), 'pools')!.strokes[0]!;
    expect(drawn.spots.length).toBeLessThan(6);
    expect(drawn.spots[0]).toEqual(spot(0, 0));
    expect(drawn.spots.at(-1)).toEqual(spot(196, 100));
    expect(withWall(pools, [spot(0, 0)])).toBe(pools);
  });

  it('thin a round that ends where it began', () => {
    const round = Array.from({ length: 61 }, (_, i) => {
      const turn = (i * Math.PI) / 30;
      return spot(100 * Math.cos(turn), 100 * Math.sin(turn));
    });
    const thin = thinned(round, 0.8);
    expect(thin.length).toBeGreaterThan(10);
    expect(thin.length).toBeLessThan(60);
  });

  it('get a cup by a spot that lies in them', () => {
    const first = colourPool(pools, { id: 'pool-1' }, 'bone');
    expect(layoutOf(first, 'pools')!.pools.map((p) => p.cup)).toEqual(['bone']);
    const open = withPoolCup(pools, { id: 'open-1', anchor: spot(20, 30) });
    whole(open);
    expect(layoutOf(open, 'pools')!.pools[1]).toMatchObject({ id: 'pool-2', xMm: 20, yMm: 30 });

    // Chosen twice before the map has answered, it is one pool with the cup that was chosen last.
    const again = colourPool(open, { id: 'open-1', anchor: spot(20, 30) }, 'bone');
    expect(layoutOf(again, 'pools')!.pools).toHaveLength(2);
    expect(layoutOf(again, 'pools')!.pools[1]).toMatchObject({ id: 'pool-2', cup: 'bone' });
  });
});

it('another pour of a puddle has an id and a cup of its own', () => {
  const puddle = laidOutAs(layer(), 'puddle', box);
  const more = withPour(puddle);
  whole(more);
  const { pours } = layoutOf(more, 'puddle')!;
  expect(new Set(pours.map((p) => p.id)).size).toBe(pours.length);
});

describe('a zone', () => {
  const zoned = withZone(layer(), box);
  const id = zoned.zones![0]!.id;

  it('comes with a cup and takes it away again', () => {
    whole(zoned);
    expect(zoned.cups).toHaveLength(3);
    expect(withoutZone(zoned, id).cups.map((c) => c.id)).toEqual(['moss', 'bone']);
  });

  it('is worked in like a layer, and nothing of the layer round it changes but its cups', () => {
    const marble = onZone(id, (l) => laidOutAs(l, 'marble', box))(zoned);
    whole(marble);
    expect(marble.bands).toBe(zoned.bands);
    expect(marble.layout ?? null).toBeNull();
    expect(inZone(marble, marble.zones![0]!).layout?.kind).toBe('marble');
    // Cups that only the layer round it uses stay.
    expect(marble.cups.map((c) => c.id)).toEqual(expect.arrayContaining(['moss', 'bone']));
    expect(onZone('none', () => layer())(zoned)).toBe(zoned);
  });
});
