import type { Line } from '../../editor/filled';
import { colourIn } from '../../editor/filled';
import { useStation } from '../station';

const stone = '#c9c3b2';

/** A stroke of the line's own look. */
export function Swatch({ line }: { line: Line }) {
  const { layerPlan } = useStation();
  const { material } = line;
  const colour =
    material.kind === 'resin' || material.kind === 'paste'
      ? (colourIn(layerPlan, material.recipeId) ?? '#dfe9e6')
      : material.kind === 'relief'
        ? material.colour
        : stone;
  const course = 'M3 17C18 4 34 22 53 9';
  return (
    <svg width="56" height="26" viewBox="0 0 56 26" aria-hidden className="line-swatch">
      <path d={course} stroke="#20302a" strokeOpacity="0.55" strokeWidth="8.5" />
      <path
        d={course}
        stroke={colour}
        strokeWidth="7"
        strokeDasharray={material.kind === 'paste' ? '3 1.4' : undefined}
      />
      {material.kind !== 'paste' && (
        <path d={course} stroke="#fff" strokeOpacity="0.6" strokeWidth="1.6" transform="translate(0 -1.6)" />
      )}
    </svg>
  );
}
