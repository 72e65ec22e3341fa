import { useMutation } from '@tanstack/react-query';
import type { Edit } from '../../api/client';
import { saidOf } from '../../api/client';
import { readLines } from '../../api/changes';
import { FileButton } from '../../parts/FileButton';
import { setField, useEdits } from '../../parts/editing';
import { useStation } from '../station';

interface Props {
  /** What the strokes are laid of. */
  of: 'wall' | 'resin' | 'paste' | 'relief';
}

/** Lays the strokes of a drawing, each as wide as it is drawn; what is wrong with it is said and changes nothing. */
export function FromSvg({ of }: Props) {
  const { piece, here } = useStation();
  const { edit } = useEdits();
  const { mutate, error } = useMutation(readLines);
  const take = (file: File) =>
    mutate(file, {
      onSuccess: ({ lines }) => {
        const had = new Set((piece.lines ?? []).map((l) => l.id));
        const laid = lines.map(({ spots }): Edit =>
          of === 'wall'
            ? { do: 'draw-wall', ...here, spots }
            : { do: 'lay-line', ...here, of, course: { kind: 'drawn', spots } },
        );
        void edit(...laid).then((got) => {
          const made = (got?.piece.lines ?? []).filter((l) => !had.has(l.id));
          if (made.length === lines.length)
            void edit(...made.map((l, i) => setField(`lines[${l.id}].section.widthMm`, lines[i]!.widthMm)));
        });
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
