package choir.cli;

import picocli.CommandLine.Command;

@Command(name = "show", description = "One template as a policy file holds it.")
final class TemplateShow extends ShowsText {
    @Override
    String path() {
        return "/api/v1/templates";
    }
}
