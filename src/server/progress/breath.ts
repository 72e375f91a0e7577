/** A breath between two pieces of work, so that others are answered meanwhile. */
export const breath = () => new Promise<void>((resolve) => setImmediate(resolve));
