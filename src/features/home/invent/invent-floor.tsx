'use client';
/** The small floor from above: tapped, or by keys alone; things are picked up and put elsewhere. */
import type { MouseEvent, ReactNode } from 'react';
import { INVENT_FLOOR, type InventedPlan } from '@/core/invent/plan';
import { AIMED, outlineWidthM, type AimedId } from '@/core/objects/catalogue';
import { useWords } from '@/features/languages/use-words';
import { byKey, isSame, MIDDLE, withMoved, withPutDown, withTakenOff, type InventPick, type Putting } from './model';
import { FloorDrawing } from './style';

const WIDTH = 340;
const PER_METRE = WIDTH / INVENT_FLOOR.widthM;
const HEIGHT = INVENT_FLOOR.depthM * PER_METRE;

interface InventFloorProps {
  readonly plan: InventedPlan;
  /** How far a mark is from the target, in the child's own steps. */
  readonly stepsOf: (mark: InventedPlan['marks'][number]) => string;
  readonly putting: Putting;
  readonly picked: InventPick | null;
  readonly onPick: (picked: InventPick | null) => void;
  readonly onPlan: (plan: InventedPlan) => void;
}

const widthOf = (object: AimedId) => outlineWidthM(AIMED[object].shape) * PER_METRE;

export function InventFloor({ plan, stepsOf, putting, picked, onPick, onPlan }: InventFloorProps) {
  const { i18n, noun, forms } = useWords();
  const place = (xM: number, yM: number) => onPlan(picked ? withMoved(plan, picked, { xM, yM }) : withPutDown(plan, putting, { xM, yM }));
  const placeAt = ({ currentTarget, clientX, clientY }: MouseEvent<SVGSVGElement>) => {
    const box = currentTarget.getBoundingClientRect();
    place(((clientX - box.left) / box.width) * INVENT_FLOOR.widthM, ((clientY - box.top) / box.height) * INVENT_FLOOR.depthM);
    onPick(null);
  };
  const thing = (what: InventPick, label: string, spot: { readonly xM: number; readonly yM: number }, drawn: ReactNode) => (
    <OneThing
      key={`${what.kind} ${what.kind === 'target' ? '' : what.index}`}
      label={isSame(picked, what) ? i18n.t('{thing}, picked up', { thing: label }) : label}
      spot={spot}
      isPicked={isSame(picked, what)}
      onPress={() => onPick(isSame(picked, what) ? null : what)}
      onMove={(to) => onPlan(withMoved(plan, what, to))}
      onTakeOff={() => {
        onPick(null);
        onPlan(withTakenOff(plan, what));
      }}
    >
      {drawn}
    </OneThing>
  );
  return (
    <FloorDrawing
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      aria-label={i18n.t('The floor from above')}
      role="group"
      tabIndex={0}
      onKeyDown={(event) => {
        // With the keys alone it is put down in the middle and moved from there.
        if (event.key !== 'Enter' || event.target !== event.currentTarget) return;
        event.preventDefault();
        place(MIDDLE.xM, MIDDLE.yM);
      }}
      onClick={placeAt}
    >
      {plan.marks.map((mark, index) => (
        <line
          key={index}
          x1={mark.xM * PER_METRE}
          y1={mark.yM * PER_METRE}
          x2={plan.target.xM * PER_METRE}
          y2={plan.target.yM * PER_METRE}
          stroke="var(--ink)"
          strokeDasharray="2 6"
          strokeLinecap="round"
        />
      ))}
      {plan.obstacles.map((one, index) =>
        thing(
          { kind: 'obstacle', index },
          noun(AIMED[one.object].name),
          one,
          <rect
            x={-widthOf(one.object) / 2}
            y={-12}
            width={widthOf(one.object)}
            height={24}
            fill="var(--band-3)"
            stroke="var(--ink)"
            strokeDasharray="4 3"
          />,
        ),
      )}
      {thing(
        { kind: 'target' },
        i18n.t('the target, {thing_a}', { ...forms('thing', AIMED[plan.target.object].name) }),
        plan.target,
        <rect
          x={-widthOf(plan.target.object) / 2}
          y={-16}
          width={Math.max(10, widthOf(plan.target.object))}
          height={32}
          rx={4}
          fill="var(--sheet)"
          stroke="var(--heather)"
          strokeWidth={4}
        />,
      )}
      {plan.marks.map((mark, index) =>
        thing(
          { kind: 'mark', index },
          i18n.t('mark {n}, {steps} from the target', { n: index + 1, steps: stepsOf(mark) }),
          mark,
          <>
            <rect x={-4} y={-15} width={8} height={30} fill="var(--gorse)" stroke="var(--ink)" strokeWidth={1.5} />
            <text x={10} y={5} fontSize={15} fontWeight={700} fill="var(--ink)">
              {mark.points}
            </text>
          </>,
        ),
      )}
    </FloorDrawing>
  );
}

interface OneThingProps {
  readonly label: string;
  readonly spot: { readonly xM: number; readonly yM: number };
  readonly isPicked: boolean;
  readonly onPress: () => void;
  readonly onMove: (to: { readonly xM: number; readonly yM: number }) => void;
  readonly onTakeOff: () => void;
  readonly children: ReactNode;
}

function OneThing({ label, spot, isPicked, onPress, onMove, onTakeOff, children }: OneThingProps) {
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      transform={`translate(${spot.xM * PER_METRE} ${spot.yM * PER_METRE})`}
      onClick={(event) => {
        event.stopPropagation();
        onPress();
      }}
      onKeyDown={(event) => {
        const to = byKey(event.key, spot);
        if (to) {
          event.preventDefault();
          onMove(to);
        } else if (event.key === 'Delete' || event.key === 'Backspace') onTakeOff();
        else if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          onPress();
        }
      }}
    >
      <circle className="ring" r={22} fill={isPicked ? 'var(--gorse)' : 'transparent'} fillOpacity={0.35} stroke="transparent" />
      {children}
    </g>
  );
}
