import { useState } from 'react';
import type { Edit, Finding, Painting, Piece } from '../api/client';
import { Refused, api, take } from '../api/client';
import type { PieceEditor } from '../editor/PieceEditor';
import { Findings } from '../parts/Findings';
import { usualLook } from './LookBar';

/** A piece with a remedy in it, to be looked at. */
export interface Trial {
  base: Piece;
  remedy: Edit;
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
}

/** The findings of a station; a remedy is an edit like any other, and can be undone. */
export function SecondLook({ id, editor, piece, layerId, findings, onTrial }: LookProps) {
  const [failed, setFailed] = useState<string | null>(null);
  const remedyOf = (finding: Finding, remedy: string): Edit => ({
    do: 'take-remedy',
    finding: finding.key,
    remedy,
  });
  const remedy = (finding: Finding, remedyId: string) => {
    const field = finding.remedies.find((r) => r.id === remedyId)?.field;
    setFailed(null);
    if (field) document.querySelector<HTMLElement>(`[data-place="${field}"]`)?.focus();
    else void editor.edit(remedyOf(finding, remedyId));
  };
  const attempt = async (finding: Finding, remedyId: string, label: string) => {
    const { view } = editor.get();
    if (!piece || !view) return;
    const command = remedyOf(finding, remedyId);
    const preview = (of: string | null) =>
      take(
        api.POST('/api/pieces/{id}/preview', {
          params: { path: { id } },
          body: {
            revision: view.revision,
            commands: [...editor.pending, command],
            layerId: of,
            detail: 'full',
            numbers: true,
            look: usualLook,
          },
        }),
      );
    try {
      const got = await preview(layerId);
      setFailed(null);
      onTrial({
        base: piece,
        remedy: command,
        label,
        painting: got.painting!,
        left: got.plan?.findings.filter((f) => !f.wavedOff).length ?? 0,
      });
    } catch (e) {
      setFailed(e instanceof Refused ? e.message : 'That could not be shown.');
    }
  };
  const wave = (finding: Finding, reason: string | null) =>
    void editor.edit({ do: 'wave-off', finding: finding.key, reason });
  return (
    <>
      <Findings
        findings={findings}
        onRemedy={remedy}
        onTry={(finding, remedyId, label) => void attempt(finding, remedyId, label)}
        onWave={wave}
      />
      {failed && <p className="say-wrong">{failed}</p>}
    </>
  );
}
