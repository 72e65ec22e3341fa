import { useMutation } from '@tanstack/react-query';
import type { Edit } from '../../api/client';
import { saidOf } from '../../api/client';
import { readLines } from '../../api/changes';
import { FileButton } from '../../parts/FileButton';
import { useEdits } from '../../parts/editing';
import { useStation } from '../station';

interface Props {
  /** What the strokes are laid of. */
  of: 'wall' | 'resin' | 'paste' | 'relief';
}

/** Lays the strokes of a drawing, each as wide as it is drawn; what is wrong with it is said and changes nothing. */
export function FromSvg({ of }: Props) {
  const { here } = useStation();
  const { edit } = useEdits();
  const { mutate, error } = useMutation(readLines);
  const take = (file: File) =>
    mutate(file, {
      onSuccess: ({ lines }) => {
        void edit(
          ...lines.map(({ spots, widthMm }): Edit =>
            of === 'wall'
              ? { do: 'draw-wall', ...here, spots, widthMm }
              : { do: 'lay-line', ...here, of, course: { kind: 'drawn', spots }, widthMm },
          ),
        );
      },
    });
  return (
    <>
      <FileButton accept=".svg,image/svg+xml" onFile={take}>
        From an SVG drawing
      </FileButton>
      {error && (
        <span className="field-error" role="alert">
          {saidOf(error, 'svg', 'The file cannot be read.')}
        </span>
      )}
    </>
  );
}
