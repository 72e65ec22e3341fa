import { useStation } from '../stations/station';
import type { FilledLayer } from '../editor/filled';
import { useEdits } from '../parts/editing';
import { Starters } from '../stations/map/Starters';
import './StarterStage.scss';
import { bandsOf, heartsOf } from '../editor/filled';

/** Whether nothing of a layer's map is decided: a bare ground of one colour. */
export const isBareMap = (layer: FilledLayer) =>
  layer.layout.kind === 'rings' &&
  heartsOf(layer).length === 0 &&
  bandsOf(layer).length === 1 &&
  layer.within == null;

/** Where nothing is laid out yet: layouts to begin with, each on this outline. */
export function StarterStage() {
  const { piece, here } = useStation();
  const { edit } = useEdits();
  return (
    <section className="starter-stage" aria-label="Begin with a layout">
      <p>Take one and change it, or place a heart yourself.</p>
      <Starters
        ground={piece.ground}
        onTake={(starter) => void edit({ do: 'begin-layout', ...here, starter })}
      />
    </section>
  );
}
