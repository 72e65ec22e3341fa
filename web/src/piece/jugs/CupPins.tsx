import { goToWords, gradeWords } from '../../parts/Findings';
import { useStation } from '../../stations/station';

/** What the second look sees at a cup; a press leads to its words. */
export function CupPins({ cupId, name }: { cupId: string; name: string }) {
  const { found, sittingPlan } = useStation();
  const here = found.filter(
    (f) =>
      !f.wavedOff && f.pin.cupId === cupId && (!f.pin.sittingId || f.pin.sittingId === sittingPlan.sittingId),
  );
  return here.map((finding) => (
    <button
      key={finding.key}
      type="button"
      className="cup-pin"
      data-grade={finding.grade}
      title={finding.title}
      onClick={() => goToWords(finding)}
    >
      <span className="grade">
        <i aria-hidden /> {gradeWords[finding.grade]}
      </span>
      <span className="visually-hidden">
        {' '}
        {finding.title} at {name}: to its words
      </span>
    </button>
  ));
}
