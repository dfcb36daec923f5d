package choir.sim;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.Polygon;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.geom.Area;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.BitSet;
import java.util.Random;
import javax.imageio.ImageIO;

/**
 * What a simulated camera sees, drawn by code: a still in the right light for the recorder's wall clock. Each camera has
 * its own proportions, from its name, so that no two of one kind look the same.
 */
final class Scene {
    private static final int WIDTH = 640;
    private static final int HEIGHT = 360;
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss");

    private final Graphics2D g;
    private final Random random;
    private final boolean night;
    private boolean mirrored;
    /** What of it is never still. */
    private final Area restless = new Area();

    private Scene(Graphics2D g, Random random, boolean night) {
        this.g = g;
        this.random = random;
        this.night = night;
    }

    /**
     * A scene in which nothing moves, in grey at another size.
     *
     * @param restless the pixels of what is never still in it, such as water or grass; row by row from the top left
     * @param mirrored whether it is seen from the other side
     */
    @SuppressWarnings("ArrayRecordComponent")
    record Still(byte[] luminance, BitSet restless, boolean mirrored) {}

    static boolean isNight(ZonedDateTime at) {
        return at.getHour() < 7 || at.getHour() >= 19;
    }

    private static Scene begun(BufferedImage image, String camera, boolean night) {
        System.setProperty("java.awt.headless", "true");
        var g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        var drawn = new Scene(g, new Random(camera.hashCode() * 0x9E3779B97F4A7C15L), night);
        drawn.mirrored = drawn.random.nextBoolean();
        if (drawn.mirrored) {
            // Seen from the other side.
            g.translate(WIDTH, 0);
            g.scale(-1, 1);
        }
        return drawn;
    }

    static Still still(String scene, String camera, boolean night, int width, int height) {
        var image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        var drawn = begun(image, camera, night);
        drawn.draw(scene);
        var mask = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        var over = mask.createGraphics();
        over.setTransform(drawn.g.getTransform());
        over.setColor(Color.WHITE);
        over.fill(drawn.restless);
        over.dispose();
        drawn.g.dispose();
        byte[] luminance = grey(image, width, height);
        byte[] white = grey(mask, width, height);
        var restless = new BitSet();
        for (int i = 0; i < white.length; i++) {
            restless.set(i, white[i] < 0);
        }
        return new Still(luminance, restless, drawn.mirrored);
    }

    private static byte[] grey(BufferedImage image, int width, int height) {
        var small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
        byte[] grey = new byte[width * height];
        for (int i = 0; i < grey.length; i++) {
            int rgb = small.getRGB(i % width, i / width);
            grey[i] = (byte) (((rgb >> 16 & 255) * 77 + (rgb >> 8 & 255) * 150 + (rgb & 255) * 29) >> 8);
        }
        return grey;
    }

    /** A JPEG of 640 by 360 pixels. */
    static byte[] picture(String scene, String camera, ZonedDateTime at, boolean walker) {
        var image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        boolean night = isNight(at);
        var drawn = begun(image, camera, night);
        var g = drawn.g;
        drawn.draw(scene);
        if (walker) {
            drawn.walker();
        }
        g.dispose();
        if (night) {
            noise(image, at.toEpochSecond());
        }
        try {
            stamp(image, camera, at);
        } catch (RuntimeException | InternalError e) {
            // A machine without any font: the picture then has no stamp.
        }
        return jpeg(image);
    }

    private static byte[] jpeg(BufferedImage image) {
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "jpeg", out);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private void draw(String scene) {
        switch (scene) {
            case "quay" -> quay();
            case "gangway" -> gangway();
            case "lanes" -> lanes();
            case "deck" -> deck();
            case "engine-room" -> engineRoom();
            case "yard" -> yard();
            case "none" -> noSignal();
            default -> hall();
        }
    }

    /** A colour by day, dimmed by night as a camera without lamps sees it. */
    private Color tone(int red, int green, int blue) {
        return night ? new Color(red / 4 + 6, green / 4 + 8, blue / 4 + 12) : new Color(red, green, blue);
    }

    private int about(int value, int spread) {
        return value + random.nextInt(2 * spread + 1) - spread;
    }

    private void sky(int horizon) {
        g.setPaint(new GradientPaint(0, 0, tone(150, 178, 196), 0, horizon, tone(214, 222, 222)));
        g.fillRect(0, 0, WIDTH, horizon);
    }

    private static Polygon polygon(int... points) {
        var polygon = new Polygon();
        for (int i = 0; i < points.length; i += 2) {
            polygon.addPoint(points[i], points[i + 1]);
        }
        return polygon;
    }

    private void fill(Color color, int... points) {
        g.setColor(color);
        g.fillPolygon(polygon(points));
    }

    private void lamp(int x, int y) {
        g.setColor(tone(90, 92, 96));
        g.fillRect(x, y, 4, 120);
        if (night) {
            for (int r = 60; r > 0; r -= 6) {
                g.setColor(new Color(255, 226, 160, 14));
                g.fillOval(x + 2 - r, y - r, 2 * r, 2 * r);
            }
            g.setColor(new Color(255, 244, 214));
            g.fillOval(x - 4, y - 4, 12, 12);
        }
    }

    private void quay() {
        int horizon = about(120, 34);
        sky(horizon);
        g.setPaint(new GradientPaint(0, horizon, tone(96, 122, 132), 0, HEIGHT, tone(52, 84, 98)));
        g.fillRect(0, horizon, WIDTH, HEIGHT - horizon);
        g.setStroke(new BasicStroke(2));
        for (int i = 0; i < 90; i++) {
            int y = horizon + 6 + random.nextInt(HEIGHT - horizon - 8);
            int length = 10 + (y - horizon) / 5;
            int x = random.nextInt(WIDTH);
            g.setColor(tone(150, 172, 178));
            g.drawArc(x, y, length, 6, 20, 140);
        }
        int edge = about(300, 110);
        fill(
                tone(122, 120, 114),
                edge,
                horizon,
                edge + 40,
                horizon,
                WIDTH,
                HEIGHT - 40,
                WIDTH,
                HEIGHT,
                edge - 90,
                HEIGHT);
        restless.add(new Area(new Rectangle(0, horizon, WIDTH, HEIGHT - horizon)));
        restless.subtract(new Area(
                polygon(edge, horizon, edge + 40, horizon, WIDTH, HEIGHT - 40, WIDTH, HEIGHT, edge - 90, HEIGHT)));
        fill(tone(96, 94, 90), edge, horizon, edge + 8, horizon, edge - 60, HEIGHT, edge - 90, HEIGHT);
        for (int i = 0; i < 5; i++) {
            int y = horizon + 20 + i * i * 11;
            g.setColor(tone(58, 60, 62));
            g.fillRoundRect(edge + 6 - i * 14, y, 8 + 3 * i, 10 + 4 * i, 6, 6);
        }
        lamp(edge + about(150, 20), horizon - 30);
    }

    private void gangway() {
        g.setColor(tone(188, 190, 186));
        g.fillRect(0, 0, WIDTH, HEIGHT);
        int far = about(320, 90);
        fill(tone(150, 152, 150), far - 50, 110, far + 50, 110, far + 260, HEIGHT, far - 260, HEIGHT);
        g.setColor(tone(196, 140, 60));
        g.setStroke(new BasicStroke(6));
        g.drawLine(far - 54, 70, far - 300, HEIGHT - 60);
        g.drawLine(far + 54, 70, far + 300, HEIGHT - 60);
        g.setStroke(new BasicStroke(2));
        for (int i = 0; i < 9; i++) {
            int y = 118 + i * i * 3;
            int half = 52 + (y - 110) * 84 / 100;
            g.setColor(tone(120, 122, 120));
            g.drawLine(far - half, y, far + half, y);
        }
        g.setColor(tone(70, 92, 110));
        g.fillRect(far - 50, 20, 100, 90);
        lamp(far + about(200, 30), 30);
    }

    private void hall() {
        g.setColor(tone(206, 198, 184));
        g.fillRect(0, 0, WIDTH, 150);
        g.setColor(tone(168, 158, 146));
        g.fillRect(0, 150, WIDTH, HEIGHT - 150);
        g.setColor(tone(150, 140, 128));
        for (int x = -300; x < WIDTH + 300; x += 60) {
            g.drawLine(WIDTH / 2 + (x - WIDTH / 2) / 3, 150, x, HEIGHT);
        }
        int desk = about(150, 110);
        g.setColor(tone(94, 74, 58));
        g.fillRect(desk, 120, 210, 60);
        g.setColor(tone(64, 88, 104));
        for (int i = 0; i < 3; i++) {
            g.fillRect(desk + 16 + i * 66, 70, 46, 34);
        }
        g.setColor(tone(112, 118, 92));
        for (int row = 0; row < 3; row++) {
            g.fillRoundRect(about(380, 10), 190 + row * 48, 190, 20, 8, 8);
        }
        for (int i = 0; i < 3; i++) {
            g.setColor(night ? new Color(80, 84, 70) : new Color(250, 248, 236));
            g.fillRect(90 + i * 180, 12, 100, 8);
        }
    }

    private void lanes() {
        int horizon = about(90, 10);
        sky(horizon);
        g.setColor(tone(104, 104, 106));
        g.fillRect(0, horizon, WIDTH, HEIGHT - horizon);
        int vanish = about(330, 120);
        g.setStroke(new BasicStroke(4));
        for (int i = -3; i <= 3; i++) {
            g.setColor(tone(222, 220, 210));
            g.drawLine(vanish + i * 14, horizon, vanish + i * 150, HEIGHT);
        }
        for (int i = 0; i < 5; i++) {
            int depth = 30 + random.nextInt(180);
            int x = vanish + (random.nextInt(5) - 2) * (14 + depth * 136 / 270) + 4;
            int size = 14 + depth / 4;
            g.setColor(tone(60 + random.nextInt(140), 60 + random.nextInt(110), 70 + random.nextInt(110)));
            g.fillRoundRect(x, horizon + depth, size * 2, size, 8, 8);
            if (night) {
                g.setColor(new Color(255, 236, 190));
                g.fillOval(x + 2, horizon + depth + size - 8, 7, 7);
                g.fillOval(x + 2 * size - 9, horizon + depth + size - 8, 7, 7);
            }
        }
        lamp(about(90, 20), horizon - 60);
        lamp(about(560, 20), horizon - 60);
    }

    private void deck() {
        int tilt = about(0, 14);
        int horizon = about(130, 10);
        sky(horizon + 20);
        fill(tone(66, 96, 108), 0, horizon - tilt, WIDTH, horizon + tilt, WIDTH, HEIGHT, 0, HEIGHT);
        fill(tone(128, 74, 58), 60, HEIGHT, 200, 190 - tilt, 460, 190 + tilt, WIDTH - 40, HEIGHT);
        g.setColor(tone(232, 232, 226));
        g.setStroke(new BasicStroke(4));
        g.drawLine(0, 200 - tilt, WIDTH, 200 + tilt);
        for (int x = 20; x < WIDTH; x += 70) {
            g.drawLine(x, 200 - tilt + 2 * tilt * x / WIDTH, x, 250 - tilt + 2 * tilt * x / WIDTH);
        }
        g.setColor(tone(206, 118, 44));
        g.fillRoundRect(about(300, 60), 250, 90, 40, 20, 20);
    }

    private void engineRoom() {
        g.setColor(tone(120, 128, 118));
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.setColor(tone(86, 92, 90));
        g.fillRect(0, 270, WIDTH, 90);
        for (int i = 0; i < 4; i++) {
            int x = 60 + i * 140 + about(0, 12);
            g.setColor(tone(64, 104, 92));
            g.fillRoundRect(x, 130, 104, 150, 12, 12);
            g.setColor(tone(190, 192, 186));
            g.fillOval(x + 20, 150, 30, 30);
            g.setColor(tone(150, 70, 50));
            g.fillRect(x + 76, 40, 14, 100);
        }
        g.setColor(tone(158, 160, 154));
        g.setStroke(new BasicStroke(10));
        restless.add(new Area(new Rectangle(350, 80, 140, 90)));
        int pipe = about(60, 14);
        g.drawLine(0, pipe, WIDTH, pipe);
        g.drawLine(0, pipe + 26, WIDTH, pipe + 26);
        for (int r = 70; r > 0; r -= 7) {
            g.setColor(new Color(236, 240, 238, 18));
            g.fillOval(about(420, 3) - r, 120 - r / 2, 2 * r, r);
        }
    }

    private void yard() {
        int horizon = about(150, 14);
        sky(horizon);
        g.setColor(tone(126, 128, 104));
        g.fillRect(0, horizon, WIDTH, HEIGHT - horizon);
        g.setColor(tone(112, 88, 70));
        g.fillRect(about(60, 30), horizon - 80, 180, 110);
        g.setColor(tone(70, 72, 78));
        g.fillRect(about(110, 20), horizon - 20, 60, 50);
        int boat = about(400, 40);
        fill(tone(52, 88, 128), boat - 120, 210, boat + 140, 210, boat + 90, 280, boat - 90, 280);
        fill(tone(88, 120, 84), boat - 110, 210, boat, 150, boat + 120, 210);
        restless.add(new Area(polygon(boat - 110, 210, boat, 150, boat + 120, 210)));
        restless.add(new Area(new Rectangle(0, 286, WIDTH, HEIGHT - 286)));
        g.setColor(tone(84, 104, 62));
        for (int i = 0; i < 120; i++) {
            int x = random.nextInt(WIDTH);
            int y = 300 + random.nextInt(60);
            g.drawLine(x, y, x + about(0, 6), y - 14);
        }
        lamp(about(600, 12), horizon - 70);
    }

    private void noSignal() {
        g.setColor(new Color(14, 16, 20));
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.setColor(new Color(60, 66, 78));
        g.setStroke(new BasicStroke(3));
        g.drawRect(WIDTH / 2 - 60, HEIGHT / 2 - 40, 120, 80);
        g.drawLine(WIDTH / 2 - 60, HEIGHT / 2 - 40, WIDTH / 2 + 60, HEIGHT / 2 + 40);
    }

    private void walker() {
        int x = about(330, 60);
        g.setColor(tone(40, 44, 60));
        g.fillRoundRect(x, 220, 22, 66, 12, 12);
        g.setColor(tone(214, 176, 150));
        g.fillOval(x + 3, 200, 17, 20);
    }

    private static void noise(BufferedImage image, long seed) {
        var grain = new Random(seed);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                int by = (int) (grain.nextGaussian() * 6);
                int rgb = image.getRGB(x, y);
                image.setRGB(x, y, shifted(rgb, 16, by) | shifted(rgb, 8, by) | shifted(rgb, 0, by));
            }
        }
    }

    private static int shifted(int rgb, int bits, int by) {
        return Math.clamp((rgb >> bits & 255) + by, 0, 255) << bits;
    }

    private static void stamp(BufferedImage image, String camera, ZonedDateTime at) {
        var g = image.createGraphics();
        g.setFont(new Font(Font.MONOSPACED, Font.PLAIN, 13));
        var text = camera + "  " + at.format(STAMP);
        g.setColor(new Color(0, 0, 0, 130));
        g.fillRect(8, 8, g.getFontMetrics().stringWidth(text) + 12, 20);
        g.setColor(new Color(235, 238, 240));
        g.drawString(text, 14, 23);
        g.dispose();
    }
}
