import type { Edit, LayerView } from '../api/client';
import type { FilledLayer, Heart } from './filled';
import { bandsOf, countsFromRim, heartsOf } from './filled';
import type { Selected } from './selection';
import type { Spot } from './view';

/** What is worked in, and what is worked out for it. */
export interface Scene {
  layer: FilledLayer;
  plan: LayerView;
  here: { layer: string; zone: string | null };
}

/** A region that is taken by its own area, and where, mm. */
export interface Hit {
  region: string;
  at: Spot;
}

/** What a hand has taken: what is chosen by it, and what becomes of it where the hand is, mm. */
export interface Grab {
  select: Selected;
  change: ((to: Spot) => Edit[]) | null;
}

/** Takes what it knows of; null for what is another's. */
type Tool = (scene: Scene, hit: Hit) => Grab | null;

/** The middle that bands lie round where no heart does it. */
export function middleOf({ layout }: FilledLayer, { box }: LayerView) {
  if (layout.kind === 'petals') return { xMm: layout.xMm, yMm: layout.yMm };
  if (layout.kind === 'lines' && layout.bands.length > 0)
    return { xMm: box.xMm + box.widthMm / 2, yMm: box.yMm + box.heightMm / 2 };
  return undefined;
}

function nearestHeart(layer: FilledLayer, { x, y }: Spot): Heart | undefined {
  const away = (h: Heart) => Math.hypot(h.xMm - x, h.yMm - y);
  return heartsOf(layer).reduce<Heart | undefined>(
    (best, h) => (!best || away(h) < away(best) ? h : best),
    undefined,
  );
}

const heartTool: Tool = ({ layer, here }, { region, at }) => {
  const heart = region === 'heart' ? nearestHeart(layer, at) : undefined;
  return (
    (heart && {
      select: { kind: 'heart', id: heart.id },
      change: ({ x, y }) => [
        {
          do: 'move-heart',
          ...here,
          heart: heart.id,
          xMm: heart.xMm + x - at.x,
          yMm: heart.yMm + y - at.y,
        },
      ],
    }) ??
    null
  );
};

/** A band is widened by pulling it away from the middle; one that is counted from the rim, by pushing it there. */
const bandTool: Tool = ({ layer, plan, here }, { region, at }) => {
  const index = bandsOf(layer).findIndex((b) => b.id === region);
  const band = bandsOf(layer)[index];
  if (!band) return null;
  const near = nearestHeart(layer, at) ?? middleOf(layer, plan);
  const select: Selected = { kind: 'band', id: band.id };
  if (band.fillsRest || !near) return { select, change: null };
  const out = ({ x, y }: Spot) => Math.hypot(x - near.xMm, y - near.yMm);
  const sign = countsFromRim(layer, index) ? -1 : 1;
  return {
    select,
    change: (to) => [
      {
        do: 'widen-band',
        ...here,
        band: band.id,
        byMm: (sign * Math.round(2 * (out(to) - out(at)))) / 2,
      },
    ],
  };
};

const fieldTool: Tool = ({ plan, here }, { region, at }) => {
  const anchor = plan.regions.find((r) => r.id === region)?.anchor;
  if (!anchor || !region.startsWith('field-')) return null;
  const field = Number(region.split('-')[1]);
  return {
    select: { kind: 'region', id: region },
    change: ({ x, y }) => [{ do: 'move-field', ...here, field, ...anchor, byXMm: x - at.x, byYMm: y - at.y }],
  };
};

const puddleTool: Tool = ({ layer: { layout }, here }, { region, at }) =>
  layout.kind !== 'puddle' || region === 'rest'
    ? null
    : {
        select: { kind: 'region', id: region },
        change: ({ x, y }) => [
          { do: 'move-middle', ...here, xMm: layout.xMm + x - at.x, yMm: layout.yMm + y - at.y },
        ],
      };

/** What of each layout is taken by its area. */
const tools: Record<string, readonly Tool[]> = {
  rings: [heartTool, bandTool],
  lines: [bandTool],
  petals: [bandTool],
  fields: [fieldTool],
  puddle: [puddleTool],
};

/** What a hand takes of a region; where no tool knows of it, it is chosen and nothing else. */
export function grab(scene: Scene, hit: Hit): Grab {
  for (const tool of tools[scene.layer.layout.kind] ?? []) {
    const taken = tool(scene, hit);
    if (taken) return taken;
  }
  return { select: { kind: 'region', id: hit.region }, change: null };
}
