package phalanx.formats.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.font.FontRenderContext;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.InputStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The bundled music font has every sign, as wide as is reckoned with: outlines read by another renderer. */
class GlyphTest {
    private static final float SPACE = 100;

    @ParameterizedTest
    @EnumSource(Glyph.class)
    void theFontHasEverySignInItsWidth(Glyph glyph) throws IOException, FontFormatException {
        try (InputStream in = Face.MUSIC.open()) {
            // an em is four staff spaces in fonts of this standard
            Font font = Font.createFont(Font.TRUETYPE_FONT, in).deriveFont(4 * SPACE);
            assertThat(font.canDisplayUpTo(glyph.text())).isEqualTo(-1);
            Rectangle2D box = font.createGlyphVector(new FontRenderContext(null, true, true), glyph.text())
                    .getVisualBounds();
            assertThat(box.getMaxX() / SPACE).isCloseTo(glyph.width(), within(0.03));
        }
    }
}
