package humble.proofs.fuzz;

import humble.cli.Humble;
import humble.core.kit.Kit;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Runs every command that takes a kit on a mutated kit that opens. */
final class Commands {
  private static final int FAULT = 3;

  private final Path folder;

  Commands(Path folder) {
    this.folder = folder;
  }

  /** Runs the commands; gives what ended as a fault of the program. */
  List<String> faults(byte[] kitJson, Kit kit) throws IOException {
    Files.createDirectories(folder);
    Files.write(folder.resolve("kit.json"), kitJson);
    List<String> faults = new ArrayList<>();
    for (List<String> words : commands(kit)) {
      StringWriter out = new StringWriter();
      StringWriter err = new StringWriter();
      int status =
          Humble.run(
              new PrintWriter(out, true), new PrintWriter(err, true), words.toArray(String[]::new));
      if (status < 0 || status >= FAULT) {
        faults.add(words + ": " + err.toString().lines().findFirst().orElse(""));
      }
    }
    return faults;
  }

  private List<List<String>> commands(Kit kit) {
    String at = folder.toString();
    List<List<String>> all = new ArrayList<>();
    all.add(List.of("check", at, "--json"));
    all.add(List.of("plan", at, "--json"));
    all.add(List.of("plan", at, "--school", "blocks"));
    all.add(List.of("lookalikes", at, "--json"));
    all.add(List.of("match", at, "--value", "4.66k", "--json"));
    all.add(List.of("power", at, "--json"));
    all.add(List.of("fit", at, "--json"));
    kit.states().stream()
        .limit(2)
        .forEach(state -> {
          all.add(
              List.of(
                  "circuit",
                  at,
                  "--state",
                  state.id(),
                  "--spice",
                  folder.resolve("deck.cir").toString(),
                  "--force",
                  "--json"));
          all.add(List.of("mend", at, "--state", state.id(), "--json"));
          kit.nets().keySet().stream()
              .limit(1)
              .forEach(
                  net -> all.add(List.of("ohms", at, "--state", state.id(), net, "GND", "--json")));
        });
    kit.lines().stream()
        .flatMap(line -> line.refs().stream())
        .limit(2)
        .forEach(ref -> {
          all.add(List.of("pin1", at, ref, "--side", "bottom", "--json"));
          all.add(List.of("joints", at, ref, "--json"));
        });
    for (String as : List.of("bom.csv", "places.csv", "kit.zip")) {
      all.add(
          List.of(
              "export", at, "--as", as, "-o", folder.resolve("out-" + as).toString(), "--force"));
    }
    all.add(List.of("labels", at, "-o", folder.resolve("labels.pdf").toString(), "--force"));
    return all;
  }
}
