package choir.server.clip;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;

/** Films of 25 pictures a second, of 160 by 96: pictures one behind the other, as a camera without anything better sends them. */
final class Films {
    private Films() {}

    /** A square of 24 goes by from the left after four seconds, for two. */
    static byte[] square(int pictures) throws IOException {
        return square(pictures, 24, 190);
    }

    /** @param value of its luminance, before a wall of 100 */
    static byte[] square(int pictures, int side, int value) throws IOException {
        var out = new ByteArrayOutputStream();
        for (int i = 0; i < pictures; i++) {
            out.write(picture(i >= 100 && i < 150 ? (i - 100) * 3 : -side, side, value));
        }
        return out.toByteArray();
    }

    /** A square before a wall. */
    static byte[] picture(int left, int side, int value) throws IOException {
        var image = new BufferedImage(160, 96, BufferedImage.TYPE_3BYTE_BGR);
        var g = image.createGraphics();
        g.setColor(new Color(100, 100, 100));
        g.fillRect(0, 0, 160, 96);
        g.setColor(new Color(value, value, value));
        g.fillRect(left, 30, side, side);
        g.dispose();
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);
        return out.toByteArray();
    }

    static byte[] black(int pictures) throws IOException {
        var out = new ByteArrayOutputStream();
        for (int i = 0; i < pictures; i++) {
            ImageIO.write(new BufferedImage(160, 96, BufferedImage.TYPE_3BYTE_BGR), "jpeg", out);
        }
        return out.toByteArray();
    }
}
