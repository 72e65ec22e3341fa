import { Link } from 'react-router';
import { arrange, arranged, eachByItself } from '../../editor/batches';
import { Told } from '../../parts/Told';
import { focusField, useEdits } from '../../parts/editing';
import { useUnits } from '../../units/units';
import { capital, inWords } from '../../units/words';
import { useStation } from '../../stations/station';
import './WhyBatches.scss';

/** Why there are so many batches, and other ways to mix. */
export function WhyBatches() {
  const { piece, sittingPlan, view, at } = useStation();
  const { system } = useUnits();
  const sheet = `/api/pieces/${view.id}/sittings/${encodeURIComponent(sittingPlan.sittingId)}/mixing-sheet`;
  const { edit } = useEdits();
  const { all, proposed, why } = sittingPlan.batches;
  const own = piece.sittings.find((s) => s.id === sittingPlan.sittingId)?.batches;
  const now = arranged(all, own);
  const open = !sittingPlan.poured;
  // A colour in several mixes, or a batch that fits nowhere: a larger jug may do.
  const tooMuch = all.some((b) => b.problems.length > 0 || b.cups.some((c) => c.percent < 100));
  const batches = all.length === 1 ? 'batch does for all' : why.length > 0 ? 'batches, because' : 'batches';
  return (
    <section className="why-batches" aria-label="Why these batches">
      {all.length > 0 && (
        <div className="why-reasons">
          <h2>{proposed ? `${capital(inWords(all.length))} ${batches}` : 'Your own batches'}</h2>
          {why.length > 0 && (
            <ul>
              {why.map((because, i) => (
                <li key={i}>
                  <Told words={because.words} numbers={because.numbers} label={`Why batch ${i + 2}`} />
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
      {open && (
        <p className="why-buttons">
          {now.some((b) => b.recipeIds.length > 1) && (
            <button
              type="button"
              className="btn btn-outline-primary"
              onClick={() => void edit(arrange(sittingPlan.sittingId, eachByItself(now)))}
            >
              Each cup by itself
            </button>
          )}
          {tooMuch && (
            <button
              type="button"
              className="btn btn-outline-primary"
              onClick={() => focusField(`${at.sitting}.tools.jugMl`)}
            >
              Use a larger jug
            </button>
          )}
          {!proposed && (
            <button
              type="button"
              className="btn btn-outline-primary"
              onClick={() => void edit(arrange(sittingPlan.sittingId, []))}
            >
              Batches as proposed
            </button>
          )}
        </p>
      )}
      {all.length > 0 && (
        <p className="why-buttons">
          <Link
            className="btn btn-primary"
            to={`/pieces/${view.id}/weigh/${encodeURIComponent(sittingPlan.sittingId)}`}
          >
            Weigh it out
          </Link>
          <span>Mixing sheet</span>
          {(['A4', 'Letter'] as const).map((paper) => (
            <a
              key={paper}
              className="btn btn-outline-primary"
              href={`${sheet}.pdf?paper=${paper}&units=${system === 'us' ? 'Us' : 'Metric'}`}
              download
            >
              {paper}
              <span className="visually-hidden"> mixing sheet</span>
            </a>
          ))}
          <a className="btn btn-outline-primary" href={`${sheet}.csv`} download>
            CSV<span className="visually-hidden"> mixing sheet</span>
          </a>
        </p>
      )}
      <p className="hint">
        Drag a cup up or down for the reserve of all, with Alt for its bands. Carry it by its name to another
        batch.
      </p>
    </section>
  );
}
