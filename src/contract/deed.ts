/** The header by which a page names what it asks for, with a UUID: the same sent again is not done again. */
export const DEED_HEADER = 'idempotency-key';
