import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { describe, expect, it, vi } from 'vitest';
import { Device } from '@/features/home/device';

let made = 0;
const opens = () => {
  const name = `device-${(made += 1)}`;
  return () =>
    openDB(name, 1, {
      upgrade(base) {
        base.createObjectStore('plays', { keyPath: 'id' });
        base.createObjectStore('sessions', { keyPath: 'id' });
      },
    });
};
const put = (id: string, more: object = {}, store = 'plays') => ({ store, key: id, value: { id, ...more } });
const gone = (id: string, store = 'plays') => ({ store, key: id, value: null });
const ids = async (device: Device) => (await device.all<{ id: string }>('plays')).map(({ id }) => id).sort();

/** Puts fail as they do when the device has no room, until there is some. */
function noRoom() {
  const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('no room', 'QuotaExceededError');
  });
  return () => full.mockRestore();
}

describe('unhappy at home: a device that keeps', () => {
  it('gives back what it was given, also to the page that is opened next', async () => {
    const open = opens();
    const first = new Device(open);
    await first.write([put('a'), put('b')]);
    await first.write([gone('a')]);
    expect(await ids(first)).toEqual(['b']);
    expect(await ids(new Device(open))).toEqual(['b']);
    expect(first.keeping()).toBe('kept');
  });
});

describe('unhappy at home: a device without storage', () => {
  it.each([
    ['that refuses', () => Promise.reject(new DOMException('denied', 'SecurityError'))],
    [
      'that is not there at all',
      () => {
        throw new ReferenceError('indexedDB is not defined');
      },
    ],
  ])('%s: the page goes on in its memory, and says so', async (_what, open) => {
    const device = new Device(open);
    expect(await device.get('plays', 'a')).toBeUndefined();
    expect(device.keeping()).toBe('none');
    await device.write([put('a', { n: 1 }), put('b')]);
    await device.write([gone('b')]);
    expect(await device.get('plays', 'a')).toEqual({ id: 'a', n: 1 });
    expect(await ids(device)).toEqual(['a']);
  });

  it('that never answers: after a few seconds the page goes on without it', async () => {
    vi.useFakeTimers();
    const device = new Device(() => new Promise(() => undefined));
    const read = device.get('plays', 'a');
    const written = device.write([put('a')]);
    await vi.advanceTimersByTimeAsync(5000);
    expect(await read).toBeUndefined();
    await written;
    expect(device.keeping()).toBe('none');
    expect(await device.get('plays', 'a')).toEqual({ id: 'a' });
    vi.useRealTimers();
  });
});

describe('unhappy at home: a device without room', () => {
  it('from the start, or in the middle: nothing is lost while the page is open, and all is kept once there is room', async () => {
    const open = opens();
    const device = new Device(open);
    const told: string[] = [];
    device.onKeeping(() => told.push(device.keeping()));
    await device.write([put('a', { n: 1 })]);
    const room = noRoom();
    await device.write([put('a', { n: 2 }), put('b')]);
    await device.write([gone('b'), put('c', {}, 'sessions')]);
    expect(await device.get('plays', 'a')).toEqual({ id: 'a', n: 2 });
    expect(await ids(device)).toEqual(['a']);
    expect(await new Device(open).get('plays', 'a')).toEqual({ id: 'a', n: 1 });
    room();
    await device.write([put('d')]);
    const next = new Device(open);
    expect(await ids(next)).toEqual(['a', 'd']);
    expect(await next.get('plays', 'a')).toEqual({ id: 'a', n: 2 });
    expect(await next.get('sessions', 'c')).toEqual({ id: 'c' });
    expect(told).toEqual(['full', 'kept']);
  });

  it('what can never be stored keeps back nothing else', async () => {
    const open = opens();
    const device = new Device(open);
    await device.write([put('a', { never: () => undefined }), put('whole')]);
    // All of one step or none of it.
    expect(await ids(new Device(open))).toEqual([]);
    await device.write([put('b')]);
    expect(await ids(new Device(open))).toEqual(['b']);
    expect(device.keeping()).toBe('none');
    expect(await ids(device)).toEqual(['a', 'b', 'whole']);
  });
});
