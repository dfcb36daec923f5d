package choir.server;

import choir.family.Families;
import choir.link.RecorderLink;
import choir.onvif.OnvifLink;
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
    Families families() {
        return Families.shipped();
    }

    @Bean(destroyMethod = "close")
    RecorderLink recorderLink(ServiceSettings settings) {
        return new OnvifLink(settings.callDeadline());
    }
}
