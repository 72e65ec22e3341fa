import { useState } from 'react';
import type { Finding, Remedy } from '../api/client';
import { useUnits } from '../units/units';
import { TextField } from './TextField';
import { Told } from './Told';
import './Findings.scss';

/** Which findings were opened or shut by hand, by their keys. */
export type Opened = Readonly<Record<string, boolean>>;

interface Props {
  findings: Finding[];
  opened: Opened;
  /** What of the piece it is at, where that tells it from others. */
  at: (finding: Finding) => string | null;
  /** A finding is opened or shut; where it is opened, what it is about is shown. */
  onOpen: (finding: Finding, open: boolean) => void;
  onRemedy: (remedy: Remedy) => void;
  /** Shows what a remedy would give, before it is taken. */
  onTry?: (remedy: Remedy, label: string) => void;
  /** Waves a finding off with a reason; null takes that back. */
  onWave: (finding: Finding, reason: string | null) => void;
}

/**
 * What the second look sees, a line each; opened, with its reason and what can be done about it. The gravest is open by itself, and
 * every danger.
 */
export function Findings({ findings, opened, at, onOpen, onRemedy, onTry, onWave }: Props) {
  if (findings.length === 0) return null;
  return (
    <section className="second-look" aria-label="Second look">
      <h3>Second look</h3>
      <ul>
        {findings.map((finding, i) => {
          const open = opened[finding.key] ?? (i === 0 || finding.grade === 'stop');
          return (
            <li
              key={finding.key}
              id={placeId(finding)}
              data-grade={finding.grade}
              tabIndex={-1}
              // A pin leads here.
              onFocus={(e) => e.target === e.currentTarget && !open && onOpen(finding, true)}
            >
              {finding.wavedOff ? (
                <p className="let-be">
                  <b>{finding.title}</b> dismissed: {finding.wavedOff}{' '}
                  <button
                    type="button"
                    className="btn btn-outline-primary"
                    onClick={() => onWave(finding, null)}
                  >
                    Look at it again
                  </button>
                </p>
              ) : (
                <>
                  <button
                    type="button"
                    className="finding-line"
                    aria-expanded={open}
                    onClick={() => onOpen(finding, !open)}
                  >
                    <span className="grade">
                      <i aria-hidden /> {gradeWords[finding.grade]}
                    </span>{' '}
                    <span>
                      <b>{finding.title}</b>
                      {at(finding) && <small>{at(finding)}</small>}
                    </span>
                  </button>
                  {open && <OneFinding finding={finding} onRemedy={onRemedy} onTry={onTry} onWave={onWave} />}
                </>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** How much a finding weighs, in a word: each has a shape of its own too. */
export const gradeWords: Record<Finding['grade'], string> = { stop: 'Stop', mend: 'Fix', mind: 'Check' };

/** In a sentence a number says what it takes to judge it, and no more. */
const decimalsIn = (value: number) => (Number.isInteger(value) || value >= 100 ? 0 : value < 1 ? 2 : 1);

/** Where a pin on the map leads to. */
export const placeId = (finding: Finding) => `finding-${finding.key.replace(/\W+/g, '-')}`;

/** Leads to the words of a finding. */
export const goToWords = (finding: Finding) => {
  const words = document.getElementById(placeId(finding));
  words?.scrollIntoView({ block: 'nearest' });
  words?.focus();
};

function OneFinding({
  finding,
  onRemedy,
  onTry,
  onWave,
}: { finding: Finding } & Pick<Props, 'onRemedy' | 'onTry' | 'onWave'>) {
  const units = useUnits();
  const [waving, setWaving] = useState(false);
  return (
    <>
      <p>
        <Told words={finding.reason} numbers={finding.numbers} label={finding.title} />
      </p>
      <div className="row-buttons">
        {finding.remedies.map((remedy) => {
          const label = remedy.label.replace(
            '{0}',
            remedy.mm == null ? '' : units.show(remedy.mm, 'mm', decimalsIn(remedy.mm)),
          );
          return (
            <span key={remedy.id} className="remedy">
              <button type="button" className="btn btn-primary" onClick={() => onRemedy(remedy)}>
                {label}
              </button>
              {onTry && !remedy.field && (
                <button
                  type="button"
                  className="btn btn-outline-primary"
                  aria-label={`See first: ${label}`}
                  title="See it first"
                  onClick={() => onTry(remedy, label)}
                >
                  <i className="bi look" aria-hidden />
                </button>
              )}
            </span>
          );
        })}
        <button
          type="button"
          className="btn btn-outline-primary"
          aria-expanded={waving}
          onClick={() => setWaving(!waving)}
        >
          Dismiss
        </button>
      </div>
      {waving && (
        <TextField
          label="Because"
          value=""
          onChange={(reason) => reason.trim() && onWave(finding, reason.trim())}
        />
      )}
    </>
  );
}
