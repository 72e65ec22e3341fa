import type { FilledLayer } from '../editor/filled';
import type { Ground, LayerView, PlanView, SittingView } from '../api/client';
import type { Station } from './station';
import { bandsOf, heartsOf } from '../editor/filled';

interface Open {
  /** How much of it is done, 0 to 1. */
  share: number;
  /** What is still open, in two or three words. */
  words: string;
  /** Whether the piece has nothing in it: its tag is narrow, and the way through the stations passes it. */
  empty?: boolean;
}

const some = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

/** What of a station is still open: of ground and map of the layer, of all others of the sitting that is looked at. */
export function openAt(
  station: Station,
  layer: FilledLayer,
  { plan, sitting }: { plan: LayerView; sitting: SittingView },
  ground: Ground,
  groundPlan: Pick<PlanView['ground'], 'preparation'>,
): Open {
  const toCome = sitting.pours.filter((s) => !s.done).length;
  const poured = sitting.pours.length - toCome;
  switch (station) {
    case 'ground': {
      const steps = groundPlan.preparation;
      const open = steps.filter((s) => !s.done).length;
      if (!ground.base) return { share: 0, words: 'no material yet' };
      return open === 0
        ? { share: 1, words: 'prepared' }
        : {
            share: 1 - open / steps.length,
            words: plan.poured ? `${open} not ticked` : `${open} to prepare`,
          };
    }
    case 'map': {
      const rings =
        layer.layout.kind === 'rings' && heartsOf(layer).length === 0 && bandsOf(layer).length > 1;
      if (rings) return { share: 0.3, words: 'no heart yet' };
      const outside = plan.regions.filter((r) => !r.fits && r.kind !== 'heart-bed').length;
      if (outside > 0) return { share: 0.7, words: `${outside} without room` };
      const homeless = plan.regions.filter(
        (r) => r.cupId === null && r.fits && (r.kind === 'pool' || r.kind === 'flood'),
      ).length;
      return homeless > 0
        ? { share: 0.7, words: `${homeless} without a cup` }
        : { share: 1, words: 'laid out' };
    }
    case 'walls': {
      const { state, toLay } = plan.walls;
      if (state === 'runs-over') return { share: 0.5, words: 'runs over' };
      if (state === 'unknown') return { share: 0.3, words: 'of what?' };
      if (plan.lines.length === 0 && state === 'no-walls')
        return ground.edge === 'taped-clean'
          ? { share: 1, words: 'edge taped' }
          : { share: 0, words: 'none', empty: true };
      return toLay.length > 0
        ? { share: 0.7, words: `${toLay.length} to lay` }
        : {
            share: 1,
            words:
              state === 'full'
                ? 'nearly full'
                : plan.lines.length > 0
                  ? some(plan.lines.length, 'line')
                  : 'holds',
          };
    }
    case 'cups': {
      const over = sitting.cups.cups.filter((c) => c.doses.over).length;
      if (sitting.pours.length === 0) return { share: 0, words: 'nothing to mix', empty: true };
      const short = sitting.reach.filter((r) => r.lacks).length;
      if (short > 0) return { share: 0.7, words: short === 1 ? 'one runs short' : `${short} run short` };
      return over > 0
        ? { share: 0.7, words: `${over} over its load` }
        : { share: 1, words: some(new Set(sitting.pours.map((s) => s.cupId)).size, 'cup') };
    }
    case 'pour':
      if (sitting.pours.length === 0) return { share: 0, words: 'nothing to pour', empty: true };
      if (sitting.done) return { share: 1, words: 'poured' };
      return sitting.poured
        ? { share: poured / sitting.pours.length, words: `${toCome} to pour` }
        : { share: 0, words: some(sitting.pours.length, 'pour') };
    case 'cure':
      if (sitting.poured)
        return sitting.done ? { share: 1, words: 'curing' } : { share: 0.5, words: 'half poured' };
      return layer.sitting.start == null
        ? { share: 0, words: 'no start yet' }
        : {
            share: layer.sitting.roomC == null ? 0.6 : 1,
            words: layer.sitting.roomC == null ? 'room unknown' : 'planned',
          };
    case 'story':
      if (!sitting.poured) return { share: 0, words: 'not logged' };
      return sitting.done
        ? { share: 1, words: 'logged' }
        : { share: poured / sitting.pours.length, words: `${poured} of ${sitting.pours.length} logged` };
  }
}
