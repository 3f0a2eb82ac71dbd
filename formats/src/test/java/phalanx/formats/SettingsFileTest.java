package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import phalanx.formats.library.Hearing;
import phalanx.formats.library.Looks;
import phalanx.formats.library.Settings;
import phalanx.formats.library.SettingsFile;

class SettingsFileTest {
    @TempDir
    private Path folder;

    private Settings read(String text) throws Exception {
        Path file = folder.resolve("settings.json");
        Files.writeString(file, text);
        return new SettingsFile(file).read();
    }

    @Test
    void whatIsKeptComesBack() {
        Settings settings = Settings.FIRST
                .with(new Looks("Ebony", 150, true, true, "it", "sol-fa"))
                .with(new Hearing(70, true, 5, false))
                .at(10, 20, 1300, 900, false)
                .opened(folder.resolve("a.abc"))
                .withKeys(Map.of("NEXT", "PAGE_DOWN"))
                .afterTour();
        SettingsFile file = new SettingsFile(folder.resolve("new/settings.json"));
        assertThat(file.read()).isEqualTo(Settings.FIRST);
        file.write(settings);
        assertThat(file.read()).isEqualTo(settings);
    }

    /** The file of the first version knew only light and dark. */
    @Test
    void settingsOfTheFirstVersionAreTakenUp() throws Exception {
        Settings settings = read(
                """
                {"dark":true,"x":5.0,"y":6.0,"width":1100.0,"height":760.0,"maximised":false,"recent":["/songs/a.abc"]}
                """);
        assertThat(settings.looks()).isEqualTo(new Looks("Rosewood", 100, false, false, "", "english"));
        assertThat(settings.width()).isEqualTo(1100);
        assertThat(settings.recent()).isEqualTo(List.of("/songs/a.abc"));
        assertThat(settings.toured()).isFalse();
        assertThat(settings.hearing()).isEqualTo(Hearing.FIRST);
    }

    /** Settings are a comfort: what is damaged is as at a first start, without a word. */
    @Test
    void damagedSettingsAreThoseOfAFirstStart() throws Exception {
        for (String damaged :
                List.of("", "[]", "{\"looks\":3}", "{\"dark\"", "null", "{\"x\":\"wide\"}", "{\"own\":1}")) {
            assertThat(read(damaged)).as(damaged).isEqualTo(Settings.FIRST);
        }
        assertThat(read("{\"looks\":{\"theme\":\"Ebony\",\"percent\":5000}}").looks())
                .isEqualTo(new Looks("Ebony", 100, false, false, "", "english"));
    }
}
