package humble.proofs;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** The command line of a child process that runs another class of this program. */
public final class ChildJvm {
  private ChildJvm() {}

  /**
   * Gives the words of the command.
   *
   * @param options options for the machine, such as {@code -Xmx256m}
   * @param main the class to run
   * @param arguments its arguments
   */
  public static List<String> command(List<String> options, String main, List<String> arguments) {
    List<String> words = new ArrayList<>();
    words.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    words.add("--enable-native-access=ALL-UNNAMED");
    words.add("--sun-misc-unsafe-memory-access=allow");
    words.add("-XX:+UseSerialGC");
    for (String name : List.of("org.sqlite.lib.path", "org.sqlite.lib.name")) {
      String value = System.getProperty(name);
      if (value != null) {
        words.add("-D" + name + "=" + value);
      }
    }
    words.addAll(options);
    words.add("-cp");
    words.add(System.getProperty("java.class.path"));
    words.add(main);
    words.addAll(arguments);
    return words;
  }
}
