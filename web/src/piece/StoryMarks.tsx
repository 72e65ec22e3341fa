import type { LayerView } from '../api/client';
import { useUnits } from '../units/units';
import type { Frame } from './StageHandles';
import { RegionMarks } from './RegionMarks';
import type { PouredIn } from './stagePainting';
import './StoryMarks.scss';

interface Props {
  layer: LayerView;
  lines: Map<string, PouredIn>;
  frame: Frame;
}

/** What was poured against what was planned, written on each region. */
export function StoryMarks({ layer, lines, frame }: Props) {
  const units = useUnits();
  return (
    <RegionMarks
      layer={layer}
      frame={frame}
      of={(id) => {
        const line = lines.get(id);
        if (!line) return null;
        const { plannedMl, pouredMl, told } = line;
        const off = pouredMl === null ? 0 : pouredMl - plannedMl;
        const words =
          pouredMl === null
            ? `? of ${units.show(plannedMl, 'ml', 0)}`
            : `${off > 0 ? '+' : ''}${units.show(off, 'ml', 1)}`;
        return { words, state: told };
      }}
    />
  );
}

/** What the tones of the picture say. */
export function StoryKey() {
  return (
    <p className="story-key">
      <i data-told="more" /> more than planned <i data-told="as-planned" /> within 5 % <i data-told="less" />{' '}
      less <i data-told="unknown" /> not noted
    </p>
  );
}
