package choir.footage;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;

/** A program that runs until its deadline at most, of whose complaints the last line is kept. */
final class Contained implements AutoCloseable {
    private static final int LONGEST_COMPLAINT = 4_096;
    private static final int SHOWN = 200;
    private static final ScheduledExecutorService ALARMS = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("decoder deadlines").factory());

    private final Process process;
    private final Duration deadline;
    private final InputStream output;
    private final Future<?> alarm;
    private final AtomicBoolean late = new AtomicBoolean();
    private final AtomicBoolean closed = new AtomicBoolean();
    private final StringBuilder complaint = new StringBuilder();
    private final Thread listener;

    /** @param fed what it is given to read, if anything */
    Contained(Process process, Duration deadline, Optional<Source.Pictures> fed) throws IOException {
        this.process = process;
        this.deadline = deadline;
        this.output = new BufferedInputStream(process.getInputStream(), 1 << 16);
        if (fed.isPresent()) {
            Thread.ofVirtual().name("decoder stills").start(() -> feed(fed.get()));
        } else {
            process.getOutputStream().close();
        }
        this.alarm = ALARMS.schedule(
                () -> {
                    late.set(true);
                    process.destroyForcibly();
                },
                deadline.toMillis(),
                TimeUnit.MILLISECONDS);
        this.listener = Thread.ofVirtual().name("decoder complaints").start(this::listen);
    }

    InputStream output() {
        return output;
    }

    private void feed(Source.Pictures pictures) {
        try (var input = process.getOutputStream()) {
            for (var next = pictures.next(); next.isPresent() && !closed.get(); next = pictures.next()) {
                if (next.get().length <= Source.Stills.LARGEST) {
                    input.write(next.get());
                    input.flush();
                }
            }
        } catch (IOException e) {
            // It has ended, and wants no more.
        }
    }

    /** However much it complains, only the end is kept. */
    private void listen() {
        try (var in = process.getErrorStream()) {
            byte[] some = new byte[1024];
            for (int n = in.read(some); n >= 0; n = in.read(some)) {
                synchronized (complaint) {
                    complaint.append(new String(some, 0, n, StandardCharsets.UTF_8));
                    if (complaint.length() > LONGEST_COMPLAINT) {
                        complaint.delete(0, complaint.length() - LONGEST_COMPLAINT / 2);
                    }
                }
            }
        } catch (IOException e) {
            // It was ended.
        }
    }

    /**
     * Waits until it has ended.
     *
     * @throws FootageException when it did not end well
     */
    void await() {
        try {
            Decoder.drain(output);
            int code = process.waitFor();
            var _ = listener.join(Duration.ofSeconds(2));
            if (late.get()) {
                throw new FootageException("it took longer than " + deadline.toSeconds() + " s");
            }
            if (code != 0 && !closed.get()) {
                throw new FootageException(said());
            }
        } catch (IOException e) {
            throw new FootageException(late.get() ? "it took longer than " + deadline.toSeconds() + " s" : said(), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new FootageException("it was interrupted", e);
        }
    }

    /** The last thing that it said, in one line without addresses of its own memory. */
    private String said() {
        synchronized (complaint) {
            var lines = complaint.toString().strip().split("\\R");
            var last = lines[lines.length - 1]
                    .replaceAll("\\[[^\\]]*@ 0x[0-9a-f]+\\]\\s*", "")
                    .replaceAll("rtsp://\\S+", "the stream")
                    .replaceAll("file:\\S+", "the file")
                    .replaceAll("\\p{Cntrl}", " ")
                    .strip();
            return last.isEmpty()
                    ? "the decoder could not read it"
                    : "the decoder says: " + last.substring(0, Math.min(SHOWN, last.length()));
        }
    }

    @Override
    public void close() {
        if (closed.getAndSet(true)) {
            return;
        }
        alarm.cancel(false);
        process.destroyForcibly();
        try {
            output.close();
        } catch (IOException e) {
            // It is gone.
        }
    }
}
