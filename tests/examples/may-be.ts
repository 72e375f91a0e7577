/** What a score that is nobody's yet may be: two children, one week, sent to one of them. */
import type { MayBe } from '@/contract/to-look-at';

export const WEEK = '018f0000-0000-7000-8000-000000000003';
export const mayBe = {
  children: [
    { id: 'isla', name: 'Isla M.' },
    { id: 'ivor', name: 'Ivor B.' },
  ],
  weeks: [
    {
      id: WEEK,
      number: 3,
      title: 'Lantern Quay',
      unit: 'points',
      levels: [
        { id: 'level-1', name: 'Paddle' },
        { id: 'level-2', name: 'Wade' },
      ],
      asked: { isla: { assignmentId: 'a-1', levelId: 'level-2' } },
    },
  ],
} as unknown as MayBe;
