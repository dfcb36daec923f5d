package choir.footage;

import choir.motion.Picture;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;

/** A picture of luminance as a JPEG file. */
public final class GreyJpeg {
    private GreyJpeg() {}

    public static byte[] of(Picture picture) {
        var image = new BufferedImage(picture.width(), picture.height(), BufferedImage.TYPE_BYTE_GRAY);
        image.getRaster().setDataElements(0, 0, picture.width(), picture.height(), picture.luminance());
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "jpeg", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
