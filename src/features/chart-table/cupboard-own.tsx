'use client';
import Joi from 'joi';
import { useWatch } from 'react-hook-form';
import type { Addition } from '@/core/course/change';
import { ownThingsIn, type KnownThing } from '@/core/course/own-things';
import { AIMED, type AimedId, type AimedShape } from '@/core/objects/catalogue';
import type { Game, Spot } from '@/core/rules/format/game';
import { Button } from '@/ui/button';
import { FormSelect, FormText } from '@/ui/form/fields';
import { useSchemaForm } from '@/ui/form/schema-form';
import { NumberSlot } from '@/ui/number-slot';
import { About, Board, ShelfCard, ShelfRow, Shelves } from './cupboard-style';
import { Views } from './cupboard-views';

type OwnKind = 'round' | 'box' | 'upright' | 'flat' | 'gate' | 'mouth' | 'block';

const OWN_KINDS: readonly { readonly value: OwnKind; readonly label: string; readonly like: AimedId }[] = [
  { value: 'round', label: 'a round thing to throw into', like: 'bucket' },
  { value: 'box', label: 'a thing with corners to throw into', like: 'box' },
  { value: 'upright', label: 'a thing that stands, to be hit', like: 'bottle' },
  { value: 'flat', label: 'a thing that lies flat', like: 'door-mat' },
  { value: 'gate', label: 'a gap to pass', like: 'shoe-gate' },
  { value: 'mouth', label: 'a thing on its side, open to the player', like: 'tipped-box' },
  { value: 'block', label: 'a thing in the way', like: 'chair' },
];

const LEAST_CM = 2;
const MOST_CM = 300;
const MOST_LETTERS = 30;

interface OwnForm {
  readonly name: string;
  readonly kind: OwnKind;
  readonly across: number;
  readonly along: number;
  readonly high: number;
}

const cm = Joi.number().min(LEAST_CM).max(MOST_CM).required();
const ownSchema = Joi.object<OwnForm>({
  name: Joi.string().trim().max(MOST_LETTERS).required().messages({ 'string.empty': 'Give it a name that a family understands.' }),
  kind: Joi.string()
    .valid(...OWN_KINDS.map(({ value }) => value))
    .required(),
  across: cm,
  along: cm,
  high: cm,
});

/** A thing of the teacher's own, by its size. */
export function Own({
  game,
  ofSchool,
  add,
  free,
}: {
  game: Game;
  /** Those of the school's other games. */
  ofSchool: readonly KnownThing[];
  add: (addition: Addition) => void;
  free: Spot;
}) {
  const known = ownThingsIn([game]);
  const others = ofSchool.filter(({ thing }) => !known.some((one) => one.thing.own.name === thing.own.name));
  const form = useSchemaForm(ownSchema, { name: '', kind: 'round', across: 40, along: 30, high: 30 });
  const { kind, ...sides } = useWatch({ control: form.control }) as OwnForm;
  const like = OWN_KINDS.find((one) => one.value === kind)!.like;
  const [across, along, high] = [sides.across / 100, sides.along / 100, sides.high / 100];
  const shape: AimedShape =
    kind === 'round'
      ? { kind: 'opening', outline: 'round', diameterM: across, rimM: high }
      : kind === 'box'
        ? { kind: 'opening', outline: 'rectangle', widthM: across, depthM: along, rimM: high }
        : kind === 'upright'
          ? { kind: 'upright', widthM: across, heightM: high }
          : kind === 'flat'
            ? { kind: 'flat', diameterM: across, heightM: 0 }
            : kind === 'gate'
              ? { kind: 'gate', widthM: across, postM: 0.05 }
              : { kind, widthM: across, depthM: along, heightM: high };
  const put = form.handleSubmit(({ name }) =>
    add({ kind: kind === 'block' ? 'obstacle' : 'target', object: like, own: { name, shape }, spots: [free] }),
  );
  const slot = (label: string, of: 'across' | 'along' | 'high') => (
    <NumberSlot label={label} value={sides[of]} min={LEAST_CM} max={MOST_CM} step={1} onChange={(value) => form.setValue(of, value)} />
  );
  return (
    <Shelves>
      <About>
        <FormText control={form.control} name="name" label="What it is called" maxLength={MOST_LETTERS} />
        <FormSelect control={form.control} name="kind" label="What it is" choices={OWN_KINDS} />
        <p>
          {slot('Centimetres across', 'across')} cm across
          {(kind === 'box' || kind === 'mouth' || kind === 'block') && <>, {slot('Centimetres along', 'along')} cm along</>}
          {kind !== 'flat' && kind !== 'gate' && <>, {slot('Centimetres high', 'high')} cm high</>}
        </p>
        <p>Its weight, what may stand in for it and its cautions are those of the {AIMED[like].name}, the thing most like it.</p>
        <ShelfRow>
          <Button $strong onPress={() => void put()}>
            Put on the floor
          </Button>
        </ShelfRow>
      </About>
      <About>
        <div className="views">
          <Views object={like} width={250} height={110} scale={120} shape={shape} />
        </div>
        <Ready title="In this game already" things={known} add={add} free={free} />
        <Ready title="In other games of the school" things={others} add={add} free={free} />
      </About>
    </Shelves>
  );
}

/** Things that were made before, to be put down as they are. */
function Ready({ title, things, add, free }: { title: string; things: readonly KnownThing[]; add: (addition: Addition) => void; free: Spot }) {
  if (things.length === 0) return null;
  return (
    <>
      <h3>{title}</h3>
      <Board>
        {things.map(({ thing, kind }) => (
          <ShelfCard key={thing.own.name} type="button" onClick={() => add({ kind, object: thing.object, own: thing.own, spots: [free] })}>
            <Views object={thing.object} width={118} height={64} scale={70} shape={thing.own.shape} />
            {thing.own.name}
          </ShelfCard>
        ))}
      </Board>
    </>
  );
}
