package choir.story;

import choir.server.ChoirService;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.HttpURLConnection;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.springframework.context.ConfigurableApplicationContext;

/** A service that runs, within this program or as one of its own that can be killed. */
sealed interface Running {
    URI address();

    /** Stops it in order. */
    void stop();

    record Within(ConfigurableApplicationContext service) implements Running {
        static Within start(List<String> options) {
            var words = new ArrayList<>(options);
            words.add("--server.port=0");
            return new Within(ChoirService.application().run(words.toArray(String[]::new)));
        }

        @Override
        public URI address() {
            return URI.create("http://127.0.0.1:" + service.getEnvironment().getProperty("local.server.port"));
        }

        @Override
        public void stop() {
            service.close();
        }
    }

    record Apart(Process process, URI address) implements Running {
        static Apart start(List<String> options, Path log) {
            int port = freePort();
            List<String> words = new ArrayList<>(List.of(
                    Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                    "--enable-native-access=ALL-UNNAMED",
                    "-Xmx512m",
                    "-XX:TieredStopAtLevel=1",
                    "-Dspring.aot.enabled=" + System.getProperty("spring.aot.enabled", "false"),
                    "-cp",
                    System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                    ChoirService.class.getName(),
                    "--server.port=" + port));
            words.addAll(options);
            try {
                var process = new ProcessBuilder(words)
                        .redirectErrorStream(true)
                        .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()))
                        .start();
                var apart = new Apart(process, URI.create("http://127.0.0.1:" + port));
                apart.awaitHealth(log);
                return apart;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private static int freePort() {
            try (var socket = new ServerSocket(0)) {
                return socket.getLocalPort();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private void awaitHealth(Path log) {
            while (!isHealthy()) {
                if (!process.isAlive()) {
                    throw new IllegalStateException("the service ended at its start; see " + log);
                }
                pause();
            }
        }

        private boolean isHealthy() {
            try {
                var asked = (HttpURLConnection)
                        address.resolve("/actuator/health").toURL().openConnection();
                return asked.getResponseCode() == 200;
            } catch (IOException e) {
                return false;
            }
        }

        private static void pause() {
            try {
                Thread.sleep(100);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }

        /** No handler of its own runs; what the database has not committed is lost. */
        void kill() {
            process.destroyForcibly();
            awaitEnd();
        }

        @Override
        public void stop() {
            process.destroy();
            awaitEnd();
        }

        private void awaitEnd() {
            try {
                process.waitFor();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }
    }
}
