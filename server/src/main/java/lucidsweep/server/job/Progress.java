package lucidsweep.server.job;

/** How a piece of work tells where it is, and learns that it shall stop. Safe for use by many threads. */
public interface Progress {

    /** Says how much is done, of how much (0 where that is not known). Cheap: it is passed on twice a second at most. */
    void report(long done, long total);

    /** Whether somebody asked to stop; work looks at this often and ends tidily. */
    boolean stopAsked();

    /** Runs without anybody watching. */
    Progress UNWATCHED = new Progress() {
        @Override
        public void report(long done, long total) {}

        @Override
        public boolean stopAsked() {
            return false;
        }
    };
}
