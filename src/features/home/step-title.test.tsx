// @vitest-environment happy-dom
import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { OnOwnPage, StepTitle } from './step-title';

const heading = () => screen.getByRole('heading', { level: 1 });

describe('the heading of a step', () => {
  it('names the window, and takes the focus when somebody came to it from another', () => {
    const { rerender } = render(
      <OnOwnPage value>
        <StepTitle key="card">Lantern Quay, Wade</StepTitle>
      </OnOwnPage>,
    );
    expect(document.title).toBe('Lantern Quay, Wade · Lochside');
    expect(document.activeElement).toBe(document.body);
    rerender(
      <OnOwnPage value>
        <StepTitle key="set-up">Set it out</StepTitle>
      </OnOwnPage>,
    );
    expect(document.title).toBe('Set it out · Lochside');
    expect(document.activeElement).toBe(heading());
  });
  it('of a card that is looked at on the desk does neither', () => {
    document.title = 'Build a week';
    const { rerender } = render(<StepTitle key="one">Lantern Quay</StepTitle>);
    rerender(<StepTitle key="other">Loch Frames</StepTitle>);
    expect(document.title).toBe('Build a week');
    expect(document.activeElement).toBe(document.body);
  });
});
