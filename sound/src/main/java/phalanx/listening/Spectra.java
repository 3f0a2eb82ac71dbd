package phalanx.listening;

import java.util.Arrays;
import org.jtransforms.fft.DoubleFFT_1D;

/** Magnitudes of stretches of a take under a Hann window. */
final class Spectra {
    private final Take take;
    private final int window;
    private final int size;
    private final double[] hann;
    private final DoubleFFT_1D fft;
    private final double[] work;

    /**
     * @param window samples of a stretch
     * @param size of the transform, from the window up
     */
    Spectra(Take take, int window, int size) {
        this.take = take;
        this.window = window;
        this.size = size;
        this.hann = new double[window];
        double sum = 0;
        for (int i = 0; i < window; i++) {
            hann[i] = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i + 0.5) / window);
            sum += hann[i];
        }
        for (int i = 0; i < window; i++) {
            hann[i] *= 2 / sum;
        }
        fft = new DoubleFFT_1D(size);
        work = new double[size];
    }

    double hertz(int bin) {
        return bin * (double) take.rate() / size;
    }

    double bins(double hertz) {
        return hertz * size / take.rate();
    }

    /** Of the stretch that begins at a sample; what lies outside the take is silence. */
    double[] at(int from) {
        Arrays.fill(work, 0);
        float[] samples = take.samples();
        int first = Math.max(0, -from);
        int last = Math.min(window, samples.length - from);
        for (int i = first; i < last; i++) {
            work[i] = hann[i] * samples[from + i];
        }
        fft.realForward(work);
        double[] sizes = new double[size / 2];
        sizes[0] = Math.abs(work[0]);
        for (int bin = 1; bin < sizes.length; bin++) {
            sizes[bin] = Math.hypot(work[2 * bin], work[2 * bin + 1]);
        }
        return sizes;
    }
}
