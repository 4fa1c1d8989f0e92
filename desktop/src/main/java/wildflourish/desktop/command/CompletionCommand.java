package wildflourish.desktop.command;

import picocli.AutoComplete;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

@Command(
        name = "completion",
        description = {
            "Writes a script that completes commands and options in bash.",
            "In a shell: source <(./flourish completion)"
        })
final class CompletionCommand implements Runnable {
    @Spec
    private CommandSpec spec = CommandSpec.create();

    @Override
    public void run() {
        spec.commandLine()
                .getOut()
                .print(AutoComplete.bash("flourish", spec.root().commandLine()));
        spec.commandLine().getOut().flush();
    }
}
