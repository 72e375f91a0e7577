import type { Uuid } from '@/contract/ids';
import type { HomeForm } from '@/core/sheet/home-form';
import { cache, keptOr } from '../caches';
import { parsed } from './games';
import { newId, toBytes, toText } from './ids';
import { firstRow, insertMany, type Db } from './pool';

/** Keeps lists of forms, each once; their ids in the same order. */
export async function addHomeForms(db: Db, added: readonly { readonly itemId: Uuid; readonly forms: readonly HomeForm[] }[]): Promise<Uuid[]> {
  const ids = added.map(() => newId());
  await insertMany(
    db,
    'home_forms',
    ['id', 'week_item_id', 'body'],
    added.map(({ itemId, forms }, index) => [ids[index]!, toBytes(itemId), JSON.stringify(forms)]),
  );
  return ids.map(toText);
}

const known = cache<Promise<readonly HomeForm[]>>('forms of an assignment', 500);

/** The forms of an assignment; they never change, so what was read once is kept. Empty for what was sent before there were any. */
export async function homeFormsOf(id: Uuid | null): Promise<readonly HomeForm[]> {
  if (id === null) return [];
  return keptOr(known, id, async () => {
    const row = await firstRow<{ body: HomeForm[] | string }>('SELECT body FROM home_forms WHERE id = ?', [toBytes(id)]);
    return row ? parsed(row.body) : [];
  });
}
