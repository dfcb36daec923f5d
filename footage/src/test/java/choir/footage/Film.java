package choir.footage;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;

/** Pictures one behind the other, on which a square goes by; a decoder takes them for 25 a second. */
final class Film {
    private Film() {}

    static byte[] of(int pictures) throws IOException {
        var out = new ByteArrayOutputStream();
        for (int i = 0; i < pictures; i++) {
            var image = new BufferedImage(160, 96, BufferedImage.TYPE_3BYTE_BGR);
            var g = image.createGraphics();
            g.setColor(Color.GRAY);
            g.fillRect(0, 0, 160, 96);
            g.setColor(Color.WHITE);
            g.fillRect(i * 3 % 160, 30, 24, 24);
            g.dispose();
            ImageIO.write(image, "jpeg", out);
        }
        return out.toByteArray();
    }
}
