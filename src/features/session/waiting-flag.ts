/** Kept in local storage while something waits to be sent: the next page makes room for the banner before it is drawn. */
export const WAITING_FLAG = 'dirigo-waiting';
