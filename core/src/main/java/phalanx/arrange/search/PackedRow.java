package phalanx.arrange.search;

import java.util.Arrays;

/**
 * A row of numbers in as few bits as their range needs. All from {@link LayeredGraph#IMPOSSIBLE} on are one and the same.
 */
final class PackedRow {
    private final long least;
    private final int count;
    private final int width;
    private final long[] words;

    private PackedRow(long least, int count, int width, long[] words) {
        this.least = least;
        this.count = count;
        this.width = width;
        this.words = words;
    }

    static PackedRow of(long[] numbers) {
        long least = LayeredGraph.IMPOSSIBLE;
        long most = 0;
        for (long number : numbers) {
            if (number < LayeredGraph.IMPOSSIBLE) {
                most = least == LayeredGraph.IMPOSSIBLE ? number : Math.max(most, number);
                least = Math.min(least, number);
            }
        }
        // one more than the range: all bits set stand for what is impossible
        long range = least == LayeredGraph.IMPOSSIBLE ? 1 : most - least + 1;
        int width = Long.SIZE - Long.numberOfLeadingZeros(range);
        int each = Long.SIZE / width;
        long[] words = new long[(numbers.length + each - 1) / each];
        for (int word = 0, at = 0; word < words.length; word++) {
            for (int bit = 0; bit + width <= Long.SIZE && at < numbers.length; bit += width) {
                long number = numbers[at++];
                long code = number < LayeredGraph.IMPOSSIBLE ? number - least : mask(width);
                words[word] |= code << bit;
            }
        }
        return new PackedRow(least, numbers.length, width, words);
    }

    static PackedRow of(int[] numbers) {
        return of(Arrays.stream(numbers).asLongStream().toArray());
    }

    private static long mask(int width) {
        return -1L >>> Long.SIZE - width;
    }

    int count() {
        return count;
    }

    /** The least of them. */
    long least() {
        return least;
    }

    long get(int at) {
        int each = Long.SIZE / width;
        return number(words[at / each] >>> at % each * width & mask(width));
    }

    private long number(long code) {
        return code == mask(width) ? LayeredGraph.IMPOSSIBLE : least + code;
    }

    long[] numbers() {
        long[] numbers = new long[count];
        for (int word = 0, at = 0; word < words.length; word++) {
            for (int bit = 0; bit + width <= Long.SIZE && at < count; bit += width) {
                numbers[at++] = number(words[word] >>> bit & mask(width));
            }
        }
        return numbers;
    }

    int[] ints() {
        return Arrays.stream(numbers()).mapToInt(number -> (int) number).toArray();
    }

    /** All of them, what is impossible apart, greater by so much. */
    PackedRow plus(long difference) {
        return difference == 0 || least == LayeredGraph.IMPOSSIBLE
                ? this
                : new PackedRow(least + difference, count, width, words);
    }

    /** Whether another row has the same numbers. */
    boolean isSame(PackedRow other) {
        return least == other.least && runsAlong(other);
    }

    /** Whether all numbers of another row differ from these by the same. */
    boolean runsAlong(PackedRow other) {
        return count == other.count && width == other.width && Arrays.equals(words, other.words);
    }
}
