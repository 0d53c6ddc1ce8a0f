/** What stands in the header of every Dirigo file, so that one of another program is never taken for it: "Drg1". */
export const APPLICATION_ID = 0x44726731;
