// @vitest-environment happy-dom
import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { beforeEach, describe, expect, it } from 'vitest';
import { emptyPlan, INVENT_FLOOR, type InventedPlan } from '@/core/invent/plan';
import { InventFloor } from './invent-floor';
import type { InventPick, Putting } from './model';

let plan: InventedPlan;
function OnTheFloor({ putting }: { putting: Putting }) {
  const [now, setNow] = useState(plan);
  const [picked, setPicked] = useState<InventPick | null>(null);
  return (
    <InventFloor
      plan={now}
      stepsOf={() => '4 steps'}
      putting={putting}
      picked={picked}
      onPick={setPicked}
      onPlan={(next) => {
        plan = next;
        setNow(next);
      }}
    />
  );
}
const floor = () => screen.getByRole('group', { name: 'The floor from above' });
/** A tap at so many hundredths of the width and the depth. */
function tap(across: number, down: number) {
  floor().getBoundingClientRect = () => ({ left: 10, top: 20, width: 100, height: 100 }) as DOMRect;
  fireEvent.click(floor(), { clientX: 10 + across, clientY: 20 + down });
}
const things = () => screen.getAllByRole('button').map((one) => one.getAttribute('aria-label'));

describe('the small floor of a child’s own game', () => {
  beforeEach(() => {
    plan = emptyPlan;
  });

  it('takes what is put down where it is tapped', () => {
    render(<OnTheFloor putting={'mark'} />);
    tap(25, 50);
    const mark = plan.marks.at(-1)!;
    expect(mark.xM).toBeCloseTo(0.25 * INVENT_FLOOR.widthM, 1);
    expect(mark.yM).toBeCloseTo(0.5 * INVENT_FLOOR.depthM, 1);
    expect(plan.marks).toHaveLength(emptyPlan.marks.length + 1);
  });

  it('moves what was picked up to where it is tapped next', () => {
    render(<OnTheFloor putting={'mark'} />);
    const [target] = screen.getAllByRole('button').slice(-1);
    const label = target!.getAttribute('aria-label')!;
    fireEvent.click(target!);
    expect(things()).toContain(`${label}, picked up`);
    tap(50, 30);
    expect(things()).toContain(label);
    expect(plan).not.toEqual(emptyPlan);
    expect(plan.marks).toHaveLength(emptyPlan.marks.length);
  });

  it('is played by keys alone: put down in the middle, moved by arrows, taken off', () => {
    render(<OnTheFloor putting={'mark'} />);
    fireEvent.keyDown(floor(), { key: 'Enter' });
    const index = plan.marks.length - 1;
    const before = plan.marks[index]!;
    const mark = () =>
      screen
        .getAllByRole('button')
        .find((one) => /mark/i.test(one.getAttribute('aria-label') ?? '') && one.getAttribute('aria-label')!.includes(`${index + 1}`))!;
    fireEvent.keyDown(mark(), { key: 'ArrowLeft' });
    expect(plan.marks[index]!.xM).toBeLessThan(before.xM);
    fireEvent.keyDown(mark(), { key: 'Delete' });
    expect(plan.marks).toHaveLength(index);
  });
});
