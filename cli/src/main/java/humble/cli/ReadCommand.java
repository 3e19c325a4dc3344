package humble.cli;

import humble.core.marking.BandColour;
import humble.core.marking.BandReading;
import humble.core.marking.ResistorBands;
import humble.core.units.Engineering;
import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Reads marks. */
@Command(
    name = "read",
    description = "Read the marks on a part.",
    subcommands = ReadCommand.Bands.class,
    mixinStandardHelpOptions = true)
final class ReadCommand {
  /** Reads the bands of a resistor. */
  @Command(name = "bands", description = "Read colour bands, best reading first.")
  static final class Bands extends humble.cli.Command {
    @Parameters(
        paramLabel = "COLOUR,…",
        split = ",",
        description = "Colours in full or as two letters: bk bn rd og ye gn bu vt gy wh gd sr.")
    List<String> colours = new ArrayList<>();

    @Override
    Answer answer() {
      List<String> problems = new ArrayList<>();
      List<BandColour> bands = new ArrayList<>();
      for (int i = 0; i < colours.size(); i++) {
        String text = colours.get(i);
        int place = i + 1;
        BandColour.named(text)
            .ifPresentOrElse(
                bands::add,
                () -> problems.add("band " + place + ": '" + text + "' is no band colour."));
      }
      if (colours.size() != 1 && (colours.size() < 3 || colours.size() > 6)) {
        problems.add("A resistor has 1, 3, 4, 5 or 6 bands, not " + colours.size() + ".");
      }
      if (!problems.isEmpty()) {
        throw new BadInput(problems);
      }
      List<BandReading> readings = ResistorBands.read(bands, ohms -> false);
      return new Answer(
          Answer.object("readings", readings.stream().map(Bands::json).toList()),
          readings.isEmpty()
              ? List.of("No legal reading from either end.")
              : readings.stream().map(Bands::text).toList(),
          readings.isEmpty());
    }

    private static Object json(BandReading reading) {
      return Answer.object(
          "ohms", reading.ohms(),
          "tolerance_pct", reading.tolerancePct(),
          "tempco_ppm", reading.tempcoPpm(),
          "bands", reading.bands().stream().map(BandColour::text).toList(),
          "reversed", reading.reversed(),
          "preferred", reading.preferred().isEmpty() ? null : reading.preferred());
    }

    private static String text(BandReading reading) {
      String series = reading.preferred().isEmpty() ? "no preferred number" : reading.preferred();
      return Engineering.nominal(reading.ohms(), "Ω")
          + " ± "
          + reading.tolerancePct()
          + " %  ("
          + series
          + ")"
          + (reading.reversed() ? "  read from the other end" : "");
    }
  }
}
