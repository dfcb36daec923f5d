package choir.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What fails before or beside the controllers is told as everything else is: as problem details, and not as a page. */
@Hidden
@RestController
class ServerErrors implements ErrorController {
    @RequestMapping("/error")
    void told(HttpServletRequest request, HttpServletResponse response) throws IOException {
        int status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE) instanceof Integer code ? code : 404;
        ProblemAnswer.write(response, status, ProblemAnswer.words(status));
    }

    /** A request that is none never comes as far as that. */
    public static final class OfTheWebServer extends ErrorReportValve {
        @Override
        protected void report(Request request, Response response, @org.jspecify.annotations.Nullable Throwable failed) {
            int status = response.getStatus();
            if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
                return;
            }
            try {
                response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
                response.setCharacterEncoding(StandardCharsets.UTF_8);
                var writer = response.getReporter();
                if (writer != null) {
                    writer.write(ProblemAnswer.text(status, ProblemAnswer.words(status)));
                    response.finishResponse();
                }
            } catch (IOException | IllegalStateException e) {
                // Who asked is gone.
            }
        }
    }

    /** After the web server's own. */
    @Component
    @Order(Ordered.LOWEST_PRECEDENCE)
    static final class Customizer implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
        @Override
        public void customize(TomcatServletWebServerFactory factory) {
            factory.addContextCustomizers(context -> {
                if (context.getParent() instanceof StandardHost host) {
                    host.setErrorReportValveClass(OfTheWebServer.class.getName());
                    for (var valve : host.getPipeline().getValves()) {
                        if (valve instanceof ErrorReportValve) {
                            host.getPipeline().removeValve(valve);
                        }
                    }
                    host.getPipeline().addValve(new OfTheWebServer());
                }
            });
        }
    }
}
