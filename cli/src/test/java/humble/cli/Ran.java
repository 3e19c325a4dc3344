package humble.cli;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a command printed and ended with. */
record Ran(int status, String out, String err) {
  private static final JsonMapper JSON = new JsonMapper();

  /** Runs a command line. */
  static Ran run(String... arguments) {
    StringWriter out = new StringWriter();
    StringWriter err = new StringWriter();
    int status = Humble.run(new PrintWriter(out, true), new PrintWriter(err, true), arguments);
    return new Ran(status, out.toString(), err.toString());
  }

  /** Runs a command line at the bench in a folder. */
  static Ran at(Path home, String... arguments) {
    System.setProperty(Bench.HOME, home.toString());
    try {
      return run(arguments);
    } finally {
      System.clearProperty(Bench.HOME);
    }
  }

  /** Runs a command line with {@code --json}. */
  static Ran runJson(String... arguments) {
    List<String> all = new ArrayList<>(Arrays.asList(arguments));
    all.add("--json");
    return run(all.toArray(String[]::new));
  }

  JsonNode json() {
    return JSON.readTree(out);
  }
}
