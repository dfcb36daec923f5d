package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "template",
        description = "Templates: named bundles of settings with revisions.",
        subcommands = {
            TemplateList.class,
            TemplateShow.class,
            TemplateNew.class,
            TemplateEdit.class,
            TemplateRemove.class,
            TemplateHistory.class,
            TemplateCompare.class
        })
final class TemplateCommand {}
