/** Names of the file formats, with their versions; docs/format describes them. */
export const GAME_FORMAT = 'lochside.game/2';
/** Read for ever, and never written. */
export const GAME_FORMAT_1 = 'lochside.game/1';
export const PLAY_FORMAT = 'lochside.play/1';
export const EVENT_FORMAT = 'lochside.event/1';
export const REPORT_FORMAT = 'lochside.report/1';
export const CLASS_FORMAT = 'lochside.class/1';
export const EVIDENCE_FORMAT = 'lochside.evidence/1';
export const SET_FORMAT = 'lochside.set/1';

/** Whether something says of itself that it is a file of this format. */
export const saysItIs = (format: string, file: unknown): boolean =>
  typeof file === 'object' && file !== null && 'format' in file && file.format === format;
