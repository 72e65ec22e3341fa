import { useMutation } from '@tanstack/react-query';
import type { Edit, Finding, Painting, Piece, Remedy } from '../api/client';
import { said } from '../api/client';
import { tryOut } from '../api/changes';
import type { PieceEditor } from '../editor/PieceEditor';
import type { Opened } from '../parts/Findings';
import { Findings } from '../parts/Findings';
import { focusField } from '../parts/editing';
import { usualLook } from './LookBar';

/** A piece with a remedy in it, to be looked at. */
export interface Trial {
  base: Piece;
  edits: Edit[];
  label: string;
  painting: Painting;
  /** How many findings would be left. */
  left: number;
}

interface LookProps {
  id: string;
  editor: PieceEditor;
  piece: Piece | null;
  layerId: string;
  onTrial: (trial: Trial | null) => void;
  findings: Finding[];
  opened: Opened;
  onOpen: (finding: Finding, open: boolean) => void;
}

/** The findings of a station; a remedy is an edit like any other, and can be undone. */
export function SecondLook({ id, editor, piece, layerId, findings, opened, onOpen, onTrial }: LookProps) {
  const trying = useMutation(tryOut(id));
  const failed = said(trying.error, 'That could not be shown.');
  const take = ({ field, edits }: Remedy) => {
    trying.reset();
    if (field) focusField(field);
    else void editor.edit(...edits);
  };
  const attempt = ({ edits }: Remedy, label: string) => {
    const { view } = editor.get();
    if (!piece || !view) return;
    trying.mutate(
      {
        revision: view.revision,
        commands: [...editor.pending, ...edits],
        layerId,
        look: usualLook,
      },
      {
        onSuccess: ({ painting, plan }) =>
          onTrial({
            base: piece,
            edits,
            label,
            painting: painting!,
            left: plan?.findings.filter((f) => !f.wavedOff).length ?? 0,
          }),
      },
    );
  };
  const wave = (finding: Finding, reason: string | null) =>
    void editor.edit({
      do: 'wave-off',
      finding: finding.key,
      reason,
      // Told again when it weighs more, or goes further.
      grade: finding.grade,
      worth: finding.worth ?? null,
    });
  const at = ({ pin: { cupId, layerId: of } }: Finding) =>
    (cupId && piece?.recipes.find((r) => r.id === cupId)?.name) ||
    (piece && piece.layers.length > 1 && piece.layers.find((l) => l.id === of)?.name) ||
    null;
  return (
    <>
      <Findings
        findings={findings}
        opened={opened}
        at={at}
        onOpen={onOpen}
        onRemedy={take}
        onTry={attempt}
        onWave={wave}
      />
      {failed && <p className="say-wrong">{failed}</p>}
    </>
  );
}
