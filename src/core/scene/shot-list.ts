/** What somebody films who would rather show the game with her own hands: the scene shot by shot, in its order. English, for the desk. */
import type { Demo, Scene, SceneShot } from './scene';

export interface ListedShot {
  readonly seconds: number;
  /** What is to be seen. */
  readonly seen: readonly string[];
  /** What is said meanwhile. */
  readonly said: string;
}

/** The shots of a scene, each with what to film; those that only say something more of what is seen already are one with the shot before. */
export function shotListOf(scene: Scene): readonly ListedShot[] {
  const listed: ListedShot[] = [];
  for (const shot of scene.shots) {
    const seen = seenIn(scene, shot);
    const before = listed.at(-1);
    if (before && seen.length === 0) listed[listed.length - 1] = { ...before, seconds: before.seconds + shot.s, said: `${before.said} ${shot.says}` };
    else listed.push({ seconds: shot.s, seen, said: shot.says });
  }
  return listed.map((shot) => ({ ...shot, seconds: Math.round(shot.seconds) }));
}

function seenIn(scene: Scene, shot: SceneShot): readonly string[] {
  switch (shot.kind) {
    case 'aim':
      return scene.shots[0] === shot ? ['The whole floor with everything on it, from as high as you can hold it.'] : [];
    case 'things':
      return ['Each thing in turn, close, in your hand.'];
    case 'mark': {
      const mark = scene.marks[shot.marksOut - 1];
      if (!mark || mark.steps === '') return ['The start, and what marks it.'];
      return [`Step out ${mark.steps}, feet in the picture, and put the mark down.`];
    }
    case 'movement':
      return [`From the side, once slowly, once as fast as it is: ${shot.beats.join(' · ').toLowerCase()}. Hands, feet and ball are enough.`];
    case 'rule':
      return shot.demos.map((demo) => tryOf(scene, demo));
    case 'clock':
      return ['The clock, as it is started.'];
    case 'count':
      return scene.shots.find(({ kind }) => kind === 'count') === shot ? ['The sheet, as the score is written down.'] : [];
    case 'end':
      return scene.shots.find(({ kind }) => kind === 'end') === shot ? ['Ball and things lie still; hands away.'] : [];
    case 'said':
      return scene.shots.find(({ kind }) => kind === 'said') === shot ? ['From behind, from the mark to what is aimed at.'] : [];
  }
}

/** "From near: in. Then to the middle mark." */
function tryOf(scene: Scene, { before, after, label, shown, attempt, gain }: Demo): string {
  const called = (group: string | undefined, index: number) =>
    scene.marks.length > 1 ? (scene.marks.find((mark) => mark.group === group && mark.index === index)?.name ?? '') : '';
  const from = called(before.task.from, before.place);
  const to = called(after.task.from, after.place);
  const fell = attempt.felled?.length ?? 0;
  const came =
    label !== '' ? label.toLowerCase() : attempt.felled ? (fell === 0 ? 'none falls' : fell === 1 ? '1 falls' : `${fell} fall`) : 'one try';
  const what = `${from === '' ? 'One try' : `From ${from}`}: ${came}`;
  const then =
    after.part !== before.part || after.over || after.waiting
      ? 'that is the end'
      : after.owed
        ? `then ${after.owed.what}${after.owed.n > 1 ? ` ${after.owed.n} times` : ''}`
        : to !== '' && to !== from
          ? `then go to ${to}`
          : shown.goes || gain === null || gain === 0
            ? ''
            : `show ${gain > 0 ? gain : `minus ${-gain}`} on your fingers`;
  return `${what}${then === '' ? '.' : `; ${then}.`}`;
}
