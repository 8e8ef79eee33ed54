package lucidsweep.bench;

/** Runs the measurements that need no heap of their own. */
final class Bench {

    private Bench() {}

    public static void main(String[] args) throws Exception {
        MeasureBench.report();
    }
}
