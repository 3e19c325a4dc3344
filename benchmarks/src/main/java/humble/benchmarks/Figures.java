package humble.benchmarks;

import humble.proofs.find.Find;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;

/**
 * Prints every figure as the rows of one table. Arguments: names of figures ({@code start keys
 * append opening hex core find mend wake copper settings frames lamps own photos book trim}); none
 * for all.
 */
public final class Figures {
  private static final int SPICE_FAULTS = Integer.getInteger("humble.trials", 500);
  private static final int SPICE_SOUND = 60;
  private static final long SPICE_SEED = Long.getLong("humble.seed", 2811L);

  private Figures() {}

  /** Measures and prints. */
  public static void main(String[] arguments) throws IOException, InterruptedException {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    List<String> asked =
        arguments.length == 0
            ? List.of(
                "start",
                "append",
                "opening",
                "hex",
                "core",
                "find",
                "mend",
                "wake",
                "copper",
                "settings",
                "frames",
                "keys",
                "lamps",
                "own",
                "photos",
                "book",
                "trim")
            : List.of(arguments);
    Path root = Path.of(System.getProperty("humble.root", "."));
    out.println("| figure | measured | beside it | ratio |");
    out.println("|---|---|---|---|");
    for (String name : asked) {
      switch (name) {
        case "start" -> WindowStart.measure(root, out);
        case "append" -> EventAppend.measure(out);
        case "opening" -> JournalOpening.measure(out);
        case "hex" -> HexStart.measure(root, out);
        case "core" -> CoreFigures.measure(root, out);
        case "find" -> FaultFinding.measure(root, out);
        case "mend" -> Find.print(root, SPICE_FAULTS, SPICE_SOUND, SPICE_SEED, out);
        case "wake" -> WakeFinding.measure(root, out);
        case "copper" -> CopperTraced.measure(out);
        case "settings" -> SettingsJudged.measure(out);
        case "frames" -> BoardFrames.measure(root, out);
        case "keys" -> KeyToPicture.measure(root, out);
        case "lamps" -> LampTyped.measure(root, out);
        case "own" -> OwnTold.measure(root, out);
        case "photos" -> StraightPhotos.measure(out);
        case "book" -> BookWritten.measure(out);
        case "trim" -> NullsTrimmed.measure(out);
        default -> out.println("| there is no figure '" + name + "' | | | |");
      }
    }
    System.exit(0);
  }
}
