/** Where the figures of a forecast come from, line by line. */
import type { FigureLine } from '@/core/forecast/where-from';
import { list, record, textField } from './fields';

export interface SourcesOfFigures {
  readonly lines: readonly FigureLine[];
}

export const figuresSchema = record<SourcesOfFigures>({
  lines: list(record({ what: textField, value: textField, source: textField, replacedBy: textField.allow('') })),
});
