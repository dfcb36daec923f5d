package choir.server;

import choir.link.RecorderLink;
import choir.link.RecorderSearch;
import choir.onvif.OnvifLink;
import choir.onvif.Patience;
import choir.onvif.ProbeSearch;
import choir.server.link.AllowedAddresses;
import choir.server.link.Authorities;
import choir.server.link.GuardedLink;
import java.time.Clock;
import java.util.Optional;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The service: API, console, and the work that talks to recorders. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class ChoirService {
    public static void main(String[] arguments) {
        application().run(arguments);
    }

    /** The service, to be run from within another program too; beans worked out at build time are found by its main class. */
    public static SpringApplication application() {
        var application = new SpringApplication(ChoirService.class);
        application.setMainApplicationClass(ChoirService.class);
        return application;
    }

    @Bean
    Clock clock(ServiceSettings settings) {
        var real = Clock.system(settings.zone());
        return settings.speed() == null ? real : FastClock.of(real, settings.speed());
    }

    @Bean
    RecorderSearch recorderSearch(ServiceSettings settings) {
        return new ProbeSearch(settings.searchPatience());
    }

    @Bean(destroyMethod = "close")
    OnvifLink onvifLink(ServiceSettings settings, Clock clock) {
        return new OnvifLink(
                new Patience(settings.callDeadline(), settings.readingDeadline(), settings.writingDeadline()),
                Authorities.in(Optional.ofNullable(settings.authorities())),
                clock);
    }

    @Bean
    @Primary
    RecorderLink recorderLink(OnvifLink link, AllowedAddresses allowed) {
        return new GuardedLink(link, allowed);
    }
}
