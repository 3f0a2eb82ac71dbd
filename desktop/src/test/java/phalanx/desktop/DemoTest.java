package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.TimeoutException;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Guitar;
import phalanx.song.Meter;
import phalanx.song.Ticks;
import phalanx.sound.Mix;
import phalanx.sound.Performance;
import phalanx.sound.Rendering;
import phalanx.sound.Transport;
import phalanx.sound.guitar.GuitarSound;
import phalanx.technique.Attack;
import phalanx.technique.HitKind;

/** The example songs, opened from the menu of the real window. */
class DemoTest extends OpenWindow {
    @Test
    void theDemosAreWhatTheySay() throws TimeoutException {
        open(Demo.LANTERN_WEIR);
        Arrangement arrangement = workbench.arrangement().orElseThrow();
        assertThat(arrangement.request().instrument().tuning().label()).isEqualTo("D A D G A D");
        assertThat(arrangement.hits()).extracting(hit -> hit.kind()).contains(HitKind.HEEL, HitKind.SLAP);
        assertThat(arrangement.slurred()).isNotEmpty();
        assertThat(arrangement.notes().subList(0, 8))
                .extracting(ArrangedNote::attack)
                .filteredOn(Attack.Touched.class::isInstance)
                .hasSize(4);
        assertThat(arrangement.findings())
                .extracting(Finding::kind)
                .doesNotContain(
                        FindingKind.LOCK_NOT_KEPT,
                        FindingKind.HIT_CONFLICT,
                        FindingKind.DAMPED_NOTE,
                        FindingKind.SLUR_CONFLICT,
                        FindingKind.HARMONIC_CONFLICT,
                        FindingKind.REACH);
        int end = arrangement.song().endTick();
        float[] sound = Rendering.of(Performance.of(arrangement), Transport.Stretch.once(0, end), Mix.USUAL, 1);
        int lastBar = sound.length - 6 * GuitarSound.RATE;
        float loudest = 0;
        for (int i = lastBar; i < sound.length; i++) {
            loudest = Math.max(loudest, Math.abs(sound[i]));
        }
        assertThat(loudest).isGreaterThan(0.05f);
        checkTheOtherDemos();
    }

    /** A waltz on nylon whose tune is held over the fingers, and chords under a voice with words. */
    private void checkTheOtherDemos() throws TimeoutException {
        open(Demo.PAPER_LANTERNS);
        Arrangement waltz = workbench.arrangement().orElseThrow();
        assertThat(waltz.request().instrument().guitar().kind()).isEqualTo(Guitar.Kind.NYLON);
        assertThat(workbench.project().orElseThrow().strings().hasSteel()).isFalse();
        assertThat(waltz.song().bars().get(0).meter()).isEqualTo(new Meter(3, 4));
        assertThat(waltz.notes())
                .filteredOn(note -> note.role() == Role.MELODY && note.lengthTicks() >= 3 * Ticks.QUARTER)
                .hasSizeGreaterThan(4);
        open(Demo.THE_LATE_FERRY);
        Arrangement sung = workbench.arrangement().orElseThrow();
        assertThat(sung.request().tune()).isEqualTo(TuneUse.SUNG);
        assertThat(sung.notes()).noneMatch(note -> note.role() == Role.MELODY);
        assertThat(sung.song().melody()).allMatch(note -> note.syllable().isPresent());
        assertThat(sung.findings()).extracting(Finding::kind).doesNotContain(FindingKind.REACH);
    }

    private void open(Demo demo) throws TimeoutException {
        clickOn("#recent");
        clickOn("Demo: " + demo.title());
        waitForText("#message", "Opened the demo song " + demo.title());
        waitUntilArranged();
    }
}
