/** Reads a dropped file as a process of its own, with little memory and no secrets: bytes on its input, one line of JSON on its output. */
import { buffer } from 'node:stream/consumers';
import { readDropped } from '@/server/files/read-dropped';

const bytes = await buffer(process.stdin);
process.stdout.write(JSON.stringify(await readDropped(process.argv[2] ?? '', bytes)));
