import type { Look, Painting } from '../api/client';
import type { Shape } from '../painting/DraftLoop';
import type { Drafts } from '../painting/Drafts';

/** What is painted, and how it is looked at. */
export interface Picture {
  painting: Painting;
  drafts: Drafts;
  drafted: Shape | null;
  lit: ReadonlySet<string>;
  /** Otherwise looked at than as usual nothing is dimmed, as then the picture counts. */
  look: Look;
  /** Whether a lacing additive is in a colour of it. */
  laced: boolean;
  /** Why its underside is not seen and no light comes through it. */
  hidden: string | null;
  onLook: (look: Look) => void;
  /** Whether something is worked out that is not on the page yet; where it takes long, that is shown. */
  working: boolean;
}
