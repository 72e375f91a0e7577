/** What a week has before a teacher changes it. */
import { WARM_UPS } from '@/core/sheet/warm-ups';

export const USUAL_WARM_UP = WARM_UPS[0]!.words;
export const USUAL_DIARY = 'Write down how many minutes you moved each day.';
