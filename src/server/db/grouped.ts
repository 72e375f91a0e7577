/** A list by a key of its elements, each group in the order of the list. */
export function groupedBy<Key, One>(list: readonly One[], keyOf: (one: One) => Key): Map<Key, One[]> {
  const groups = new Map<Key, One[]>();
  for (const one of list) {
    const key = keyOf(one);
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return groups;
}
