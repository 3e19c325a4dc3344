package humble.cli;

import picocli.CommandLine.Command;

/** Keeps what a library was like when it worked, and tells what has changed since. */
@Command(
    name = "library",
    description = "Keep what a library is like, and tell what has changed since.",
    subcommands = {LibraryKeep.class, LibraryCheck.class})
final class LibraryCommand {}
