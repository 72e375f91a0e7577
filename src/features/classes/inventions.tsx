'use client';
import { useRouter } from 'next/navigation';
import { DeskLink } from '@/ui/desk-link';
import styled from 'styled-components';
import { takenAsGameSchema } from '@/contract/invention';
import type { Course } from '@/core/rules/format/game';
import { CourseDrawing } from '@/features/drawing/course-drawing';
import { Button } from '@/ui/button';
import { FormProblem, FormText } from '@/ui/form/fields';
import { tookIt, useSchemaForm } from '@/ui/form/schema-form';
import { send } from '@/ui/post';
import { SubHead, SoftWords } from '@/ui/page';

const Section = styled.section`
  margin-top: var(--space-8);
`;

const Stack = styled.div`
  display: grid;
  gap: var(--space-4);
  justify-items: start;
`;

const Wide = styled.div`
  width: 100%;
`;

export interface ListedInvention {
  readonly id: string;
  readonly childName: string;
  readonly title: string;
  readonly words: string;
  readonly course: Course;
  readonly score: number | null;
  readonly gameId: string | null;
}

const List = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(420px, 1fr));
  gap: var(--space-5) var(--space-8);
  margin: 0;
  padding: 0;
  list-style: none;
  & li {
    display: grid;
    grid-template-columns: 150px 1fr;
    gap: var(--space-2) var(--space-6);
    padding: var(--space-4) 0;
    border-top: 1px solid var(--line);
  }
  & svg {
    grid-row: 1 / span 4;
    width: 150px;
    border: 1px solid var(--ink);
  }
  & p {
    font-size: var(--type-1);
  }
`;

/** Games that children of the class made: each may become a game of the class, without the child's name. */
export function Inventions({ inventions, ageYears, mayChange }: { inventions: readonly ListedInvention[]; ageYears: number; mayChange: boolean }) {
  return (
    <Section>
      <SubHead>Made by children</SubHead>
      <List>
        {inventions.map((one) => (
          <One key={one.id} invention={one} ageYears={ageYears} mayChange={mayChange} />
        ))}
      </List>
    </Section>
  );
}

function One({ invention, ageYears, mayChange }: { invention: ListedInvention; ageYears: number; mayChange: boolean }) {
  const router = useRouter();
  const form = useSchemaForm(takenAsGameSchema, { ageYears, title: invention.title });
  const take = form.handleSubmit(async (entered) => {
    const answer = await send<{ id: string }>('POST', `/api/v1/inventions/${invention.id}`, entered);
    if (tookIt(form, answer) && answer.value) router.push(`/games/${answer.value.id}`);
  });
  return (
    <li>
      <CourseDrawing id={`invention-${invention.id}`} course={invention.course} parts={[]} label={`The floor of ${invention.title}`} numbers />
      <b>{invention.title}</b>
      <SoftWords $small>
        by {invention.childName}
        {invention.score === null ? '' : `, who scored ${invention.score}`}
      </SoftWords>
      <p>{invention.words}</p>
      {invention.gameId ? (
        <DeskLink href={`/games/${invention.gameId}`}>On the shelf</DeskLink>
      ) : mayChange ? (
        <Stack>
          <Wide>
            <FormText control={form.control} name="title" label="Its name in the class; no child's name" maxLength={60} />
          </Wide>
          <Button isDisabled={form.formState.isSubmitting} onPress={() => void take()}>
            Make it a class game
          </Button>
        </Stack>
      ) : null}
      <FormProblem form={form} />
    </li>
  );
}
