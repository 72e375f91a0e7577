/** "Firefox on Windows": enough to know one's own sessions apart, and no more than that. */
const BROWSERS = [
  ['Edg', 'Edge'],
  ['OPR', 'Opera'],
  ['Firefox', 'Firefox'],
  ['Chrome', 'Chrome'],
  ['Safari', 'Safari'],
] as const;
const SYSTEMS = [
  ['Windows', 'Windows'],
  ['Android', 'Android'],
  ['iPhone', 'an iPhone'],
  ['iPad', 'an iPad'],
  ['Mac OS', 'a Mac'],
  ['CrOS', 'a Chromebook'],
  ['Linux', 'Linux'],
] as const;

export function browserNamed(request: Request): string {
  const told = request.headers.get('user-agent') ?? '';
  const named = (list: readonly (readonly [string, string])[]) => list.find(([mark]) => told.includes(mark))?.[1];
  return `${named(BROWSERS) ?? 'A browser'} on ${named(SYSTEMS) ?? 'a computer'}`;
}
