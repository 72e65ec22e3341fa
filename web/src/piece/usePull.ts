import type { CupVolume, Edit } from '../api/client';
import { inBurst } from '../editor/burst';
import type { FilledLayer } from '../editor/filled';
import { bandsOf, widthOf } from '../editor/filled';
import { useEdits } from '../parts/editing';
import { useFields } from '../parts/fields';
import { sizeFor } from '../parts/Vessel';
import { swallowClick } from './swallowClick';

const mostPerPixel = 1;
const slack = 5;

/** Which cup is chosen or pointed at, and how it comes to be. */
export interface Picks {
  chosen: string | null;
  pointed: string | null;
  onChoose: (cupId: string | null) => void;
  onPoint: (cupId: string | null) => void;
}

/** What the button of a cup answers to: it is chosen by a press, lights its regions, and its level is pulled. */
export const cupButton = (
  volume: CupVolume,
  { chosen, pointed, onChoose, onPoint }: Picks,
  { pull, keys }: ReturnType<typeof usePull>,
) => ({
  'aria-pressed': chosen === volume.cupId,
  'data-lit': pointed === volume.cupId || undefined,
  onClick: (e: React.MouseEvent) => {
    if (e.detail < 2) onChoose(chosen === volume.cupId ? null : volume.cupId);
  },
  onPointerDown: (e: React.PointerEvent<HTMLButtonElement>) => pull(e, volume),
  onKeyDown: (e: React.KeyboardEvent) => keys(e, volume),
  onPointerEnter: () => onPoint(volume.cupId),
  onPointerLeave: () => onPoint(null),
  onFocus: () => onPoint(volume.cupId),
  onBlur: () => onPoint(null),
});

/** The level of a cup is pulled up or down, or stepped by keys: the reserve of all cups follows, or with Alt the bands of this one. */
export function usePull(layer: FilledLayer, pullable: boolean) {
  const { edit, drag, letGo } = useEdits();
  const reserve = useReserve(layer);
  const pull = (e: React.PointerEvent<HTMLButtonElement>, volume: CupVolume) => {
    const glass = e.currentTarget.querySelector('svg')?.getBoundingClientRect();
    if (!pullable || e.button !== 0 || !glass || e.clientY > glass.bottom) return;
    const button = e.currentTarget;
    const served = Math.max(1, volume.needMl - volume.reserve.value);
    // On a small cup a pixel is many per cent: there it counts as one, so that no level jumps.
    const perPixel = Math.min(mostPerPixel, (100 * sizeFor(volume.mixMl.value)) / glass.height / served);
    let from = e.clientY;
    let pulled = false;
    const change = (event: PointerEvent) => {
      const percent = (from - event.clientY) * perPixel;
      return event.altKey
        ? widen(layer, volume, (width) => (width * percent) / 100)
        : [withReserve(layer, reserve, percent)];
    };
    const move = (event: PointerEvent) => {
      if (!pulled && Math.abs(event.clientY - from) < slack) return;
      if (!pulled) {
        button.setPointerCapture(event.pointerId);
        // What told a pull from a press does not count.
        from -= slack * Math.sign(from - event.clientY);
      }
      pulled = true;
      drag(change(event), event.timeStamp);
    };
    const off = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', drop);
      window.removeEventListener('pointercancel', drop);
      window.removeEventListener('keydown', leave, true);
    };
    const leave = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      event.stopPropagation();
      off();
      if (pulled) {
        swallowClick(button);
        letGo();
      }
    };
    const drop = (event: PointerEvent) => {
      off();
      if (!pulled) return;
      // The click that ends a pull does not choose the cup.
      swallowClick(button);
      void edit(...change(event));
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', drop);
    window.addEventListener('pointercancel', drop);
    window.addEventListener('keydown', leave, true);
  };
  const keys = (e: React.KeyboardEvent, volume: CupVolume) => {
    const by = { ArrowUp: 1, ArrowDown: -1 }[e.key];
    if (!by || !pullable) return;
    e.preventDefault();
    const steps = by * (e.shiftKey ? 10 : 1);
    inBurst(e.altKey ? `band of ${volume.cupId}` : 'reserve', () => {
      void edit(...(e.altKey ? widen(layer, volume, () => steps) : [withReserve(layer, reserve, steps)]));
    });
  };
  return { pull, keys };
}

/** The reserve that counts, %: the sitting's own or the default. A cup may have one of its own beside it. */
export function useReserve({ sitting }: FilledLayer): number {
  const { usual } = useFields();
  return sitting.reservePercent ?? usual['sittings.reservePercent'] ?? 0;
}

const withReserve = (layer: FilledLayer, reserve: number, by: number): Edit => ({
  do: 'nudge',
  place: `sittings[${layer.sitting.id}].reservePercent`,
  by: Math.round(by),
  from: reserve,
});

/** Widens every band of the layer that a cup serves by an amount that may depend on its width. */
const widen = (layer: FilledLayer, volume: CupVolume, by: (widthMm: number) => number): Edit[] =>
  volume.regions.flatMap(({ layerId, region }) => {
    const at = bandsOf(layer).findIndex((b) => layerId === layer.id && b.id === region && !b.fillsRest);
    const band = bandsOf(layer)[at];
    return band
      ? [{ do: 'widen-band', layer: layer.id, zone: null, band: band.id, byMm: by(widthOf(layer, at)) }]
      : [];
  });
