package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.TimeoutException;
import org.junit.jupiter.api.Test;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
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
    void theRetunedDemoHasEveryColourAndPlaysToItsEnd() throws TimeoutException {
        clickOn("#recent");
        clickOn("Demo: Lantern Weir");
        waitForText("#message", "Opened the demo song Lantern Weir");
        waitUntilArranged();
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
    }
}
