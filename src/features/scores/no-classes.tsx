'use client';
import { ButtonLink } from '@/ui/button';
import { Empty, Page, PageHead } from '@/ui/page';

export function NoClasses() {
  return (
    <Page>
      <PageHead>
        <h1>Scores</h1>
      </PageHead>
      <Empty>
        <p>There is no class yet, so there are no scores.</p>
        <ButtonLink $strong href="/classes">
          Make a class
        </ButtonLink>
      </Empty>
    </Page>
  );
}
