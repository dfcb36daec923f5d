package choir.footage;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.JarURLConnection;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.jar.JarFile;

/**
 * FFmpeg as a program: it is given a file or an address of the loopback interface, a list of what it may open, one thread,
 * a bound for its memory and a deadline, and nothing of this process's surroundings.
 */
public final class Decoder {
    private static final String INSIDE = "org/bytedeco/ffmpeg/";
    private static final String FOLDER = "ffmpeg-8.0.1";
    private static final long LARGEST_PIECE = 256L << 20;
    private static final long MOST_PIXELS = 40_000_000;
    private static final int LARGEST_STILL = 8 << 20;

    /** Files that hold moving pictures; none that names other files. */
    private static final String FORMATS = "mov,mp4,m4a,3gp,3g2,mj2,matroska,webm,avi,mpegts,mpeg,h264,hevc,mjpeg,"
            + "mpegvideo,m4v,flv,ogg,asf,gif,mxf,dv,ivf,yuv4mpegpipe,jpeg_pipe,png_pipe,obu,av1";

    private final Path folder;

    private Decoder(Path folder) {
        this.folder = folder;
    }

    /**
     * Unpacks the program into a folder, unless it is there.
     *
     * @throws UncheckedIOException when the folder cannot be written, or there is no program for this kind of machine
     */
    public static Decoder in(Path parent) {
        var folder = parent.resolve(FOLDER);
        try {
            if (!Files.isExecutable(folder.resolve("ffmpeg"))) {
                unpack(parent, folder);
            }
            return new Decoder(folder.toAbsolutePath());
        } catch (IOException e) {
            throw new UncheckedIOException("the decoder cannot be unpacked into " + folder, e);
        }
    }

    private static void unpack(Path parent, Path folder) throws IOException {
        Files.createDirectories(parent);
        var fresh = Files.createTempDirectory(parent, FOLDER + "-");
        try {
            try (var packed = packed()) {
                for (var entry : Collections.list(packed.entries())) {
                    var name = entry.getName().replaceFirst("^.*/", "");
                    if (entry.getName().startsWith(INSIDE)
                            && name.matches("ffmpeg|ffprobe|lib(av|sw|va|drm|postproc)[\\w.-]+")) {
                        Files.copy(
                                packed.getInputStream(entry), fresh.resolve(name), StandardCopyOption.REPLACE_EXISTING);
                    }
                }
            }
            for (var program : List.of("ffmpeg", "ffprobe")) {
                if (!fresh.resolve(program).toFile().setExecutable(true)) {
                    throw new IOException("there is no " + program + " for this kind of machine");
                }
            }
            Files.move(fresh, folder, StandardCopyOption.ATOMIC_MOVE);
        } catch (FileAlreadyExistsException | java.nio.file.DirectoryNotEmptyException e) {
            // Another process was first.
        } finally {
            remove(fresh);
        }
    }

    /** The package as it was published, which stands beside our own classes. */
    private static JarFile packed() throws IOException {
        var program = Decoder.class.getClassLoader().getResource(INSIDE + platform() + "/ffmpeg");
        if (program == null || !(program.openConnection() instanceof JarURLConnection connection)) {
            throw new IOException("there is no decoder for " + platform());
        }
        connection.setUseCaches(false);
        return connection.getJarFile();
    }

    private static String platform() {
        var system = System.getProperty("os.name").toLowerCase(Locale.ROOT).startsWith("mac") ? "macosx" : "linux";
        return system + (System.getProperty("os.arch").equals("aarch64") ? "-arm64" : "-x86_64");
    }

    private static void remove(Path folder) throws IOException {
        if (Files.exists(folder)) {
            try (var all = Files.walk(folder)) {
                for (var path : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(path);
                }
            }
        }
    }

    /**
     * Pictures of a source, from its beginning.
     *
     * @param deadline for all of it; what is not read by then fails
     * @return to be closed
     */
    public Footage open(Source source, Look look, Duration deadline) {
        List<String> words = new ArrayList<>(begin("ffmpeg"));
        if (look.keyPictures()) {
            words.addAll(List.of("-skip_frame", "nokey"));
        }
        words.addAll(input(source));
        words.addAll(List.of(
                "-map",
                "0:v:0",
                "-vf",
                String.format(
                        Locale.ROOT,
                        "fps=%s,scale=%d:%d:flags=area,format=gray",
                        look.perSecond(),
                        look.width(),
                        look.height()),
                "-f",
                "rawvideo",
                "pipe:1"));
        return new DecodedFootage(start(words, deadline, fed(source)), look);
    }

    /**
     * Keeps the pictures of a source as they come, in a file that tells their times.
     *
     * @param mostBytes after which it is cut off
     * @throws FootageException with the reason; nothing is left of the file then
     */
    public void keep(Source source, Path file, Duration deadline, long mostBytes) {
        List<String> words = new ArrayList<>(begin("ffmpeg"));
        words.addAll(input(source));
        words.addAll(List.of(
                "-map",
                "0:v:0",
                "-c",
                "copy",
                "-fs",
                Long.toString(mostBytes),
                "-f",
                "matroska",
                "-y",
                "file:" + file));
        try (var process = start(words, deadline, fed(source))) {
            process.await();
            if (Files.size(file) == 0) {
                throw new FootageException("nothing came");
            }
        } catch (IOException | FootageException e) {
            try {
                Files.deleteIfExists(file);
            } catch (IOException left) {
                e.addSuppressed(left);
            }
            throw e instanceof FootageException f ? f : new FootageException("it cannot be kept: " + e.getMessage(), e);
        }
    }

    /**
     * One picture of a file as JPEG, at that place.
     *
     * @param width at most; its height follows
     */
    public byte[] still(Path file, Duration at, int width, Duration deadline) {
        List<String> words = new ArrayList<>(begin("ffmpeg"));
        words.addAll(input(new Source.File(file, at, Optional.empty())));
        words.addAll(List.of(
                "-map",
                "0:v:0",
                "-frames:v",
                "1",
                "-vf",
                "scale='min(" + width + ",iw)':-2",
                "-q:v",
                "4",
                "-f",
                "mjpeg",
                "pipe:1"));
        try (var process = start(words, deadline, Optional.empty())) {
            byte[] picture = process.output().readNBytes(LARGEST_STILL);
            process.await();
            if (picture.length == 0) {
                throw new FootageException("there is no picture at " + at.toMillis() / 1000.0 + " s");
            }
            return picture;
        } catch (IOException e) {
            throw new FootageException("it cannot be read: " + e.getMessage(), e);
        }
    }

    /** How long the file's pictures go on; empty when the file does not tell. */
    public Optional<Duration> length(Path file, Duration deadline) {
        List<String> words = List.of(
                folder.resolve("ffprobe").toString(),
                "-v",
                "error",
                "-protocol_whitelist",
                "file",
                "-format_whitelist",
                FORMATS,
                "-select_streams",
                "v:0",
                "-show_entries",
                "format=duration",
                "-of",
                "default=nw=1:nk=1",
                "file:" + file);
        try (var process = start(words, deadline, Optional.empty())) {
            var said = new String(process.output().readNBytes(100), java.nio.charset.StandardCharsets.US_ASCII).strip();
            process.await();
            return said.matches("\\d{1,8}(\\.\\d+)?")
                    ? Optional.of(Duration.ofMillis(Math.round(Double.parseDouble(said) * 1000)))
                    : Optional.empty();
        } catch (IOException e) {
            throw new FootageException("it cannot be read: " + e.getMessage(), e);
        }
    }

    private List<String> begin(String program) {
        return List.of(
                folder.resolve(program).toString(),
                "-nostdin",
                "-hide_banner",
                "-loglevel",
                "error",
                "-max_alloc",
                Long.toString(LARGEST_PIECE),
                "-filter_threads",
                "1");
    }

    private static List<String> input(Source source) {
        List<String> words = new ArrayList<>(
                List.of("-threads", "1", "-max_pixels", Long.toString(MOST_PIXELS), "-an", "-sn", "-dn"));
        switch (source) {
            case Source.Stream stream ->
                // Its first picture comes without a time, which is then taken for nought; without "copyts" that would
                // be
                // the time of the second, too, and the first be lost.
                words.addAll(List.of(
                        "-copyts",
                        "-protocol_whitelist",
                        "rtsp,tcp,rtp",
                        "-format_whitelist",
                        "rtsp,sdp",
                        "-rtsp_transport",
                        "tcp",
                        "-timeout",
                        "20000000",
                        "-analyzeduration",
                        "400000",
                        "-i",
                        stream.address().toString()));
            case Source.Stills stills ->
                words.addAll(List.of(
                        "-protocol_whitelist",
                        "pipe",
                        "-format_whitelist",
                        "mjpeg",
                        "-probesize",
                        "500000",
                        "-analyzeduration",
                        "0",
                        "-f",
                        "mjpeg",
                        "-framerate",
                        Double.toString(stills.perSecond()),
                        "-i",
                        "pipe:0"));
            case Source.File file -> {
                words.addAll(List.of("-protocol_whitelist", "file", "-format_whitelist", FORMATS));
                if (file.from().isPositive()) {
                    words.addAll(List.of("-ss", seconds(file.from())));
                }
                file.length().ifPresent(length -> words.addAll(List.of("-t", seconds(length))));
                words.addAll(List.of("-i", "file:" + file.path().toAbsolutePath()));
            }
        }
        return words;
    }

    private static String seconds(Duration duration) {
        return String.format(Locale.ROOT, "%.3f", duration.toMillis() / 1000.0);
    }

    private static Optional<Source.Pictures> fed(Source source) {
        return source instanceof Source.Stills(double _, var pictures) ? Optional.of(pictures) : Optional.empty();
    }

    private Contained start(List<String> words, Duration deadline, Optional<Source.Pictures> fed) {
        var builder = new ProcessBuilder(words).directory(folder.toFile());
        builder.environment().clear();
        builder.environment().put("LD_LIBRARY_PATH", folder.toString());
        builder.environment().put("LC_ALL", "C");
        try {
            return new Contained(builder.start(), deadline, fed);
        } catch (IOException e) {
            throw new FootageException("the decoder does not start: " + e.getMessage(), e);
        }
    }

    /** Reads to the end of a stream without keeping it. */
    static void drain(InputStream in) throws IOException {
        in.transferTo(java.io.OutputStream.nullOutputStream());
    }
}
