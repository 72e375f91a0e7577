/** A list by a key of its elements, each group in the order of the list. */
export function groupedBy<Key, One>(list: readonly One[], keyOf: (one: One) => Key): Map<Key, One[]> {
  const groups = new Map<Key, One[]>();
  // What belongs together often stands together: thousands of goes of one child.
  let last: Key | undefined;
  let group: One[] | undefined;
  for (const one of list) {
    const key = keyOf(one);
    if (!group || key !== last) {
      group = groups.get(key);
      if (!group) groups.set(key, (group = []));
      last = key;
    }
    group.push(one);
  }
  return groups;
}
