package choir.server.account;

/** What an address asks for, of whoever comes by it. */
enum Right {
    /** To see settings and how cameras stand. */
    SEE,
    /** To see footage, which shows people. */
    FOOTAGE,
    /** To have recorders read, audited and tried. */
    WORK,
    /** To say what becomes of findings. */
    DECIDE,
    /** To say what cameras are to hold, and give it out. */
    EDIT,
    /** To let people and recorders in. */
    ADMINISTER
}
