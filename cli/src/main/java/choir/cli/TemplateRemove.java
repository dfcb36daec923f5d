package choir.cli;

import picocli.CommandLine.Command;

@Command(name = "remove", description = "Remove a template that is used nowhere and that no other extends.")
final class TemplateRemove extends Removes {
    @Override
    String kind() {
        return "template";
    }

    @Override
    String path() {
        return "/api/v1/templates";
    }
}
