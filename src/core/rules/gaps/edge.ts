import type { Effect, Game, Part } from '../format/game';
import type { Change, Gap } from './gap';

/** Rolling and kicking past things: is it allowed to touch them? */
export function edges(game: Game, part: Part, at: string, change: Change): Gap[] {
  const past = (game.course.obstacles?.length ?? 0) + (game.course.zones?.length ?? 0) > 0;
  const along = part.stages.findIndex((task) => ['roll', 'kick'].includes(task.technique) && task.see === 'end' && task.at !== undefined);
  if (!past || along < 0 || part.stages.some((task) => (task.flags?.length ?? 0) > 0) || mentionsEdge(part)) return [];
  const counter = typeof part.measure.of === 'string' ? undefined : Object.keys(part.measure.of.sum)[0];
  const withFlag = (effects: readonly Effect[]): Partial<Part> => ({
    stages: part.stages.map((task, index) =>
      index === along ? { ...task, flags: ['touch'], flagWords: { touch: 'touches something on the way' } } : task,
    ),
    also: { ...part.also, touch: effects },
  });
  const costs = part.measure.better === 'low' ? 1 : -1;
  return [
    {
      kind: 'edge',
      place: `${at}/stages/${along}/flags`,
      question: 'What if the ball touches something on the way?',
      why: 'There are things in the way, and nothing says whether touching them costs anything.',
      mends: [
        ...(counter ? [change(costs > 0 ? 'One more stroke' : 'One point less', withFlag([{ do: 'add', counter, amount: costs }]))] : []),
        change('It does not matter', withFlag([])),
      ],
    },
  ];
}

function mentionsEdge(part: Part): boolean {
  return part.stages.some((task) => task.ends?.some((end) => /touch|edge|wall|side/i.test(`${end.id} ${end.label} ${end.says ?? ''}`)));
}
