/**
 * The message of a text in the tables of the rules. A lone word says too little of what it means, and may be a word of a game too
 * ("hits" the target, five "hits"): it is named with its place in the table.
 */
export const rulesMessage = (text: string, path: string): string =>
  /^\s*\S+\s*$/.test(text) && !text.includes('{') ? `${text.trim()} (rules: ${path})` : text;
