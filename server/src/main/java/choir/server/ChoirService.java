package choir.server;

import choir.link.RecorderLink;
import choir.link.RecorderSearch;
import choir.onvif.OnvifLink;
import choir.onvif.ProbeSearch;
import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The service: API, console, and the work that talks to recorders. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class ChoirService {
    public static void main(String[] arguments) {
        SpringApplication.run(ChoirService.class, arguments);
    }

    @Bean
    Clock clock(ServiceSettings settings) {
        return Clock.system(settings.zone());
    }

    @Bean
    RecorderSearch recorderSearch(ServiceSettings settings) {
        return new ProbeSearch(settings.searchPatience());
    }

    @Bean(destroyMethod = "close")
    RecorderLink recorderLink(ServiceSettings settings) {
        return new OnvifLink(settings.callDeadline());
    }
}
