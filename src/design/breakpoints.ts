/** Where the layout changes, for `@media`: the desk is made for 1280 and must do at 1024. */
export const medium = '(max-width: 1180px)';
/** Columns stand below each other. */
export const narrow = '(max-width: 1000px)';
