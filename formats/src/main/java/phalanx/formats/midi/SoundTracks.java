package phalanx.formats.midi;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The tracks of a Standard MIDI file as far as they are sound: each ends where its first event goes wrong, so that what
 * stands before can be read, and no length that is told must be believed.
 */
final class SoundTracks {
    private static final int HEAD = 14;
    private static final int CHUNK = 8;
    private static final int META = 0xFF;
    private static final int END_OF_TRACK = 0x2F;
    private static final byte[] END = {0, (byte) META, END_OF_TRACK, 0};

    private final byte[] file;
    private boolean damaged;
    private int at;

    SoundTracks(byte[] file) {
        this.file = file.clone();
    }

    /** Whether something was wrong. */
    boolean damaged() {
        return damaged;
    }

    /** The file without what is wrong in it; as it is where it does not begin as such a file. */
    byte[] repaired() {
        if (file.length < HEAD || !named(0, "MThd")) {
            return file;
        }
        List<byte[]> tracks = new ArrayList<>();
        int chunk = CHUNK + length(0);
        while (chunk >= CHUNK && chunk + CHUNK <= file.length) {
            int told = length(chunk);
            int end = told < 0 || told > file.length - chunk - CHUNK ? file.length : chunk + CHUNK + told;
            damaged |= end - chunk - CHUNK != told;
            if (named(chunk, "MTrk")) {
                tracks.add(track(chunk + CHUNK, end));
            }
            chunk = end;
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream(file.length + HEAD);
        byte[] head = Arrays.copyOf(file, HEAD);
        ByteBuffer.wrap(head)
                .putInt(4, HEAD - CHUNK)
                .putShort(8, (short) (tracks.size() > 1 ? 1 : 0))
                .putShort(10, (short) tracks.size());
        out.writeBytes(head);
        for (byte[] track : tracks) {
            out.writeBytes(new byte[] {'M', 'T', 'r', 'k'});
            out.writeBytes(ByteBuffer.allocate(4).putInt(track.length).array());
            out.writeBytes(track);
        }
        return out.toByteArray();
    }

    private boolean named(int chunk, String name) {
        return new String(file, chunk, 4, StandardCharsets.ISO_8859_1).equals(name);
    }

    private int length(int chunk) {
        return ByteBuffer.wrap(file).getInt(chunk + 4);
    }

    /** Its events up to the first that is wrong, and the one that ends it. */
    private byte[] track(int from, int end) {
        at = from;
        int sound = from;
        int running = 0;
        while (at < end) {
            long delta = number(end);
            int status = at < end ? file[at] & 0xFF : 0;
            if (status >= 0x80) {
                at++;
            } else {
                status = running;
            }
            boolean isEnd = status == META && at < end && file[at] == END_OF_TRACK;
            if (delta < 0 || !skip(status, end)) {
                break;
            }
            running = status < 0xF0 ? status : 0;
            if (isEnd) {
                return Arrays.copyOfRange(file, from, at);
            }
            sound = at;
        }
        damaged = true;
        byte[] track = Arrays.copyOfRange(file, from, sound + END.length);
        System.arraycopy(END, 0, track, sound - from, END.length);
        return track;
    }

    /** Passes over the data of an event; says whether it is all there. */
    private boolean skip(int status, int end) {
        if (status < 0x80 || status > 0xF0 && status != 0xF7 && status != META) {
            return false;
        }
        if (status >= 0xF0) {
            at += status == META ? 1 : 0;
            long length = number(end);
            at += (int) Math.max(0, Math.min(length, end));
            return length >= 0 && at <= end;
        }
        boolean one = status >> 4 == 0xC || status >> 4 == 0xD;
        at += one ? 1 : 2;
        return at <= end;
    }

    /** A number of up to four bytes of seven bits; -1 where it does not end. */
    private long number(int end) {
        long number = 0;
        for (int bytes = 0; bytes < 4 && at < end; bytes++) {
            int next = file[at++];
            number = number << 7 | next & 0x7F;
            if (next >= 0) {
                return number;
            }
        }
        return -1;
    }
}
