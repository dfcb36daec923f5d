package choir.server.web;

import org.springframework.boot.DefaultApplicationArguments;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.context.ApplicationListener;

/** An option that is given twice would count as a list of both, which a folder or a port is not. */
final class GivenOnce implements ApplicationListener<ApplicationEnvironmentPreparedEvent> {
    @Override
    public void onApplicationEvent(ApplicationEnvironmentPreparedEvent event) {
        var arguments = new DefaultApplicationArguments(event.getArgs());
        for (var option : arguments.getOptionNames()) {
            if (arguments.getOptionValues(option).size() > 1) {
                throw new BadSettings("--" + option + " is given "
                        + arguments.getOptionValues(option).size() + " times; say it once, a list with commas");
            }
        }
    }
}
