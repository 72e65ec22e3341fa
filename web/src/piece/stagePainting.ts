import type { LayerView, Painting, RunView, SittingView } from '../api/client';
import type { Shape } from '../painting/DraftLoop';
import { bare, drawn, mixed } from '../painting/drawn';
import type { Station } from '../stations/station';
import { nextOf } from '../stations/station';

const paper = '#fbf9f3';
const ink = '#20302a';
const oxide = '#9c3b2e';
/** How much of its colour a region has that is to come, and the next one. */
const faint = 0.2;
const strong = 0.62;
const thinMm = 0.6;
const thickMm = 1.6;

/** How far what was poured may be from what was planned to be told as planned. */
const asPlanned = 0.05;
const tones = { more: '#7fa083', 'as-planned': '#cdd8c6', less: '#a9c3d1', unknown: '#e7e1d0' } as const;
/** What of the walls' stage is painted as it is. */
const as: ReadonlySet<string> = new Set(['line', 'wall', 'kept-visible', 'kept-bare']);

export type Told = keyof typeof tones;

/** What was poured in a region, all passes together, beside what was planned. */
export interface PouredIn {
  told: Told;
  plannedMl: number;
  /** What was noted; null where a pass of it was not. */
  pouredMl: number | null;
}

/** What a sitting poured in the regions of a layer, as its log has it; before there is one, what is planned. */
export function pouredIn(layerId: string, sitting: SittingView, run?: RunView): Map<string, PouredIn> {
  const lines =
    run?.pours ??
    sitting.pours.map((s) => ({
      ...s,
      plannedMl: s.pourMl.value as number | null,
      pouredMl: null as number | null,
    }));
  const found = new Map<string, PouredIn>();
  for (const line of lines) {
    if (line.layerId !== layerId) continue;
    const had = found.get(line.regionId);
    const plannedMl = (had?.plannedMl ?? 0) + (line.plannedMl ?? 0);
    const pouredMl =
      line.pouredMl === null || had?.pouredMl === null ? null : (had?.pouredMl ?? 0) + line.pouredMl;
    const off = pouredMl === null ? 0 : (pouredMl - plannedMl) / Math.max(plannedMl, 1e-9);
    const told =
      pouredMl === null ? 'unknown' : Math.abs(off) <= asPlanned ? 'as-planned' : off > 0 ? 'more' : 'less';
    found.set(line.regionId, { plannedMl, pouredMl, told });
  }
  return found;
}

/** Whether a region of a layer still waits for its resin. */
export const isOpen = (layer: LayerView, region: string) =>
  !layer.poured || layer.openRegions.includes(region);

/** What holds each region back; of one that walls part, its fuller side. */
export function holdsOf(layer: LayerView): Map<string, LayerView['holds'][number]> {
  const full = ({ gets, brim }: LayerView['holds'][number]) => gets.value / Math.max(brim.value, 1e-9);
  const found = new Map<string, LayerView['holds'][number]>();
  for (const hold of [...layer.holds].sort((a, b) => full(a) - full(b)))
    for (const region of [hold.regionId, ...hold.with]) found.set(region, hold);
  return found;
}

interface At {
  layer: LayerView;
  sitting: SittingView;
  run?: RunView;
  /** The form that a drag gives it. */
  drafted: Shape | null;
}

/** The painting as its station shows it: bare ground, what is poured among what is drawn, how the pours went, or as it will look. */
export function paintingAt(station: Station, painting: Painting, { layer, sitting, run, drafted }: At) {
  if (station === 'ground') return bare(painting, drafted ?? painting);
  if (station === 'walls') {
    const colours = new Map(layer.colours.map((c) => [c.cupId, c.colour]));
    const holds = holdsOf(layer);
    const cups = new Map(layer.regions.map((r) => [r.id as string, r.cupId]));
    const kinds = new Map(layer.regions.map((r) => [r.id as string, r.kind]));
    return drawn(painting, layer.layerId, (region) => {
      const hold = holds.get(region);
      const kind = kinds.get(region);
      // Lines and walls are painted as they are; what they lie on is only drawn.
      if (kind === undefined || as.has(kind)) return null;
      if (!hold)
        return {
          fill: mixed(paper, colours.get(cups.get(region) ?? '') ?? paper, faint),
          ink: mixed(paper, ink, strong),
          inkMm: thinMm,
        };
      const over = hold.state === 'runs-over';
      // As full as it will be, so strong is its colour.
      const full = Math.min(1, hold.gets.value / Math.max(hold.brim.value, 1e-9));
      return {
        fill: mixed(paper, colours.get(cups.get(region) ?? '') ?? paper, faint + (strong - faint) * full),
        ink: over ? oxide : ink,
        inkMm: over ? thickMm : 0,
      };
    });
  }
  if (station === 'pour') {
    const next = nextOf(sitting);
    const colours = new Map(layer.colours.map((c) => [c.cupId, c.colour]));
    const cups = new Map(layer.regions.map((r) => [r.id as string, r.cupId]));
    return drawn(painting, layer.layerId, (region) => {
      if (!cups.has(region) || !isOpen(layer, region)) return null;
      const lit = next?.layerId === layer.layerId && next.regionId === region;
      const colour = colours.get(cups.get(region) ?? '') ?? paper;
      return { fill: mixed(paper, colour, lit ? strong : faint), ink, inkMm: lit ? thickMm : thinMm };
    });
  }
  if (station === 'story') {
    const lines = pouredIn(layer.layerId, sitting, run);
    return drawn(painting, layer.layerId, (region) => ({
      fill: tones[lines.get(region)?.told ?? 'unknown'],
      ink,
      inkMm: thinMm,
    }));
  }
  return painting;
}
