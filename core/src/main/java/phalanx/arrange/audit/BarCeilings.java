package phalanx.arrange.audit;

import java.util.Arrays;
import java.util.List;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Track;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.Speeds;
import phalanx.song.Song;

/** The fastest tempo of each bar, for comparing ways to pluck the same notes. */
public final class BarCeilings {
    private final Song song;
    private final Speeds speeds;
    private final double[] left;

    /** @param arrangement whose left hand stays as it is */
    public BarCeilings(Arrangement arrangement, MoveMeter meter) {
        this.song = arrangement.song();
        this.speeds = arrangement.request().picking().speeds();
        this.left = lowest(new SpeedMeter(speeds).left(Track.of(arrangement, meter)));
    }

    /**
     * By index of the bar, in quarter notes a minute, at most that of the fastest song.
     *
     * @param notes in order of tick, all of the song or some of it
     */
    public double[] of(List<ArrangedNote> notes) {
        double[] right = lowest(new SpeedMeter(speeds).right(notes));
        for (int bar = 0; bar < right.length; bar++) {
            right[bar] = Math.min(right[bar], left[bar]);
        }
        return right;
    }

    /** What the left hand alone allows in a bar. */
    public double left(int bar) {
        return left[bar];
    }

    private double[] lowest(List<SpeedLimit> limits) {
        double[] lowest = new double[song.bars().size()];
        Arrays.fill(lowest, Song.FASTEST);
        for (SpeedLimit limit : limits) {
            int bar = song.barIndexAt(limit.tick());
            lowest[bar] = Math.min(lowest[bar], limit.tempo());
        }
        return lowest;
    }
}
