import type { CaptionLanguage } from '../layout/captionWords.ts';
import type { GeneratedName } from '../layout/line.ts';
import type { UsualColumns } from '../layout/ownLayout.ts';
import type { Scale } from '../statement/scale.ts';
import type { Detail } from '../statement/statement.ts';
import type { PresentationChoice } from '../translation/presentation.ts';

/** One statement of a set. */
export interface SetPart {
  /** Unique in the set; comments are kept by it. */
  readonly key: string;
  /** A generated statement, or the id of a composed layout. */
  readonly statement: GeneratedName | number;
  /** In the place of the layout's own; empty: that. */
  readonly title: string;
  /** `null`: those of the layout, or the comparison. */
  readonly columns: UsualColumns | null;
  readonly detail: Detail['rungs'];
  readonly zeroLines: boolean;
}

/** Statements that are run together for one date, printed in this order. */
export interface SetDefinition {
  readonly parts: readonly SetPart[];
  readonly scale: Scale;
  /** Of titles and captions; `null`: the company's main one. */
  readonly language: CaptionLanguage | null;
  /** The company's own currency where it is left out. */
  readonly presentation?: PresentationChoice;
}

/** What a line's figures are explained by, kept with the last day of the span. */
export interface LineComment {
  readonly partKey: string;
  readonly lineKey: string;
  readonly text: string;
}
