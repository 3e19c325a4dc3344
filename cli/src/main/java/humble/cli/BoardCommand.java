package humble.cli;

import picocli.CommandLine.Command;

/** Reads the files of a bare board, or photos of it. */
@Command(
    name = "board",
    description = "Read the files of a bare board, or photos of it.",
    subcommands = {BoardNetsCommand.class, StraightenCommand.class, AlignCommand.class})
final class BoardCommand {}
