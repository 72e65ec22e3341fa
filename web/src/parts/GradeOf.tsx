import type { Finding } from '../api/client';
import { gradeWords } from './Findings';

/** The gravest of some findings, as a word and a shape, with what it is; nothing where there are none. */
export function GradeOf({ findings: [gravest] }: { findings: Finding[] }) {
  return (
    gravest && (
      <span data-grade={gravest.grade} title={gravest.title}>
        <span className="grade">
          <i aria-hidden /> {gradeWords[gravest.grade]}
        </span>
        <span className="visually-hidden">: {gravest.title}</span>
      </span>
    )
  );
}
