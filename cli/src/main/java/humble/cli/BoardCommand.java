package humble.cli;

import picocli.CommandLine.Command;

/** Reads the files of a bare board. */
@Command(
    name = "board",
    description = "Read the files of a bare board.",
    subcommands = {BoardNetsCommand.class})
final class BoardCommand {}
