package phalanx.testing;

/** How far tests go: a sample in {@code ./check}, all in {@code ./check --deep}. */
public final class Deep {
    private static final boolean DEEP = Boolean.getBoolean("phalanx.deep");

    private Deep() {}

    /** The one or the other number. */
    public static int of(int sample, int all) {
        return DEEP ? all : sample;
    }
}
