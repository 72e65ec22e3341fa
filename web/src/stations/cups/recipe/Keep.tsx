import { useMutation, useQuery } from '@tanstack/react-query';
import type { Recipe } from '../../../api/client';
import { said } from '../../../api/client';
import { nameRecipe } from '../../../api/changes';
import { recipesQuery } from '../../../api/queries';
import { ColourAt, WhetherAt } from '../../../parts/At';
import { Choice } from '../../../parts/Choice';
import { useEdits } from '../../../parts/editing';
import { PhotoColour } from '../../../parts/PhotoColour';
import { useStation } from '../../station';

/** What a recipe is poured off, whether it stays as it is, how it came out, and keeping it for other pieces. */
export function Keep({ cup, shown }: { cup: Recipe; shown: string | null }) {
  const { piece, layer } = useStation();
  const { edit, set, say } = useEdits();
  const kept = useQuery(recipesQuery).data ?? [];
  const keeping = useMutation(nameRecipe);
  const place = `recipes[${cup.id}]`;
  const plain = layer.recipes.filter((r) => r.id !== cup.id && !r.of);
  const off = cup.of?.length === 1 ? cup.of[0]!.recipeId : null;
  return (
    <details className="recipe-part">
      <summary>
        Save it, pour it off another{cup.frozen ? ': frozen' : ''}
        {off ? `: poured off ${layer.recipes.find((r) => r.id === off)?.name}` : ''}
      </summary>
      <p className="line">
        <WhetherAt
          place={`${place}.frozen`}
          label={`${cup.name} may change`}
          value={cup.frozen}
          no="free to change"
          yes="frozen: a change makes a new one"
        />
      </p>
      {(!cup.of || off) && (
        <p className="line">
          <Choice
            label={`${cup.name} comes`}
            value={off ?? 'itself'}
            choices={[
              ['itself', 'from its own resin'],
              ...plain.map((r) => [r.id, `off ${r.name}, tinted further`] as const),
            ]}
            onChange={(to) => edit({ do: 'pour-off', recipe: cup.id, from: to === 'itself' ? null : to })}
          />
          {say(`${place}.of`) && <span className="field-error">{say(`${place}.of`)}</span>}
        </p>
      )}
      {cup.doses.length > 0 && (
        <p className="line">
          <span>It came out as</span>
          <ColourAt
            place={`${place}.seen`}
            label={`What ${cup.name} came out as`}
            value={cup.seen ?? shown ?? cup.colour}
          />
          <PhotoColour label="From a photo of it" onPick={(colour) => void set(`${place}.seen`, colour)} />
          {cup.seen && (
            <button
              type="button"
              className="btn btn-outline-primary"
              onClick={() => void set(`${place}.seen`, null)}
            >
              Show it as reckoned
            </button>
          )}
        </p>
      )}
      <p className="line">
        <button
          type="button"
          className="btn btn-outline-primary"
          disabled={keeping.isPending}
          onClick={() => keeping.mutate({ recipeId: cup.id, recipes: piece.recipes, note: '' })}
        >
          Save this recipe in the Cupboard
        </button>
        {keeping.isSuccess && <span role="status">Saved as {cup.name}.</span>}
        {keeping.error && <span className="field-error">{said(keeping.error)}</span>}
      </p>
      {kept.length > 0 && (
        <p className="line">
          <Choice
            label="Mix it as"
            value="none"
            choices={[['none', 'a saved recipe…'], ...kept.map((k) => [k.id, k.kept.recipe.name] as const)]}
            onChange={(id) =>
              id === 'none' ? undefined : edit({ do: 'take-recipe', recipe: cup.id, kept: id })
            }
          />
        </p>
      )}
    </details>
  );
}
