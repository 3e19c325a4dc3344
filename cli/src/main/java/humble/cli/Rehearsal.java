package humble.cli;

import java.io.PrintWriter;
import java.io.Writer;
import java.nio.file.Path;

/**
 * Runs a few commands in one process and throws their answers away: what the ahead-of-time cache is
 * recorded from. Argument: a kit folder.
 */
public final class Rehearsal {
  private Rehearsal() {}

  /** Runs the rehearsal. */
  public static void main(String[] arguments) {
    String kit = arguments[0];
    String[][] lines = {
      {"check", kit, "--json"},
      {"read", "bands", "red,red,brown,gold", "--json"},
      {"match", kit, "--value", "10.02k"},
      {"plan", kit},
      {"circuit", kit, "--state", "sockets-empty", "--json"},
      {"image", "info", Path.of(kit, "lamp.hex").toString(), "--json"}
    };
    PrintWriter nowhere = new PrintWriter(Writer.nullWriter());
    for (String[] line : lines) {
      Humble.run(nowhere, nowhere, line);
    }
  }
}
