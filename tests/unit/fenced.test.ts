/** What others made is read where it can do nothing: tried from inside of the fence. */
import { spawnSync } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { fenceOf } from '@/server/files/fenced';

const inside = (script: string) => spawnSync(process.execPath, [...fenceOf(process.cwd()), '-e', script], { encoding: 'utf8' });
const target = join(tmpdir(), `lochside-fence-${process.pid}`);

describe('a program in the fence', () => {
  it('reads what it consists of', () => {
    const { status, stdout } = inside(`console.log(JSON.parse(require('fs').readFileSync('${join(process.cwd(), 'package.json')}', 'utf8')).name)`);
    expect([status, stdout.trim()]).toEqual([0, 'lochside-workbench']);
  });
  it.each([
    ['reads a file of the machine', "require('fs').readFileSync('/etc/passwd')"],
    ['reads the sources, where a secret may lie', `require('fs').readdirSync('${process.cwd()}/docs')`],
    ['writes a file', `require('fs').writeFileSync('${target}', 'x')`],
    ['starts a program', "require('child_process').execSync('true')"],
    ['starts a worker', "new (require('worker_threads').Worker)('0', { eval: true })"],
  ])('cannot do what %s', (_what, script) => {
    const { status, stderr } = inside(script);
    expect(status).not.toBe(0);
    expect(stderr).toContain('ERR_ACCESS_DENIED');
    expect(existsSync(target)).toBe(false);
    rmSync(target, { force: true });
  });
});
