package humble.cli;

import humble.core.marking.BandColour;
import humble.core.marking.BandReading;
import humble.core.marking.InductorBands;
import humble.core.marking.MarkReading;
import humble.core.marking.PrintedCode;
import humble.core.marking.ResistorBands;
import humble.core.units.Band;
import humble.core.units.Engineering;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Reads marks. */
@Command(
    name = "read",
    description = "Read the marks on a part.",
    subcommands = {ReadCommand.Bands.class, ReadCommand.Code.class},
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

    @Option(
        names = "--as",
        paramLabel = "KIND",
        description = "resistor or inductor (default: ${DEFAULT-VALUE}).")
    String as = "resistor";

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
      boolean inductor = as.equals("inductor");
      if (!inductor && !as.equals("resistor")) {
        problems.add("--as: it is resistor or inductor, not '" + as + "'.");
      } else if (inductor && (colours.size() < 3 || colours.size() > 4)) {
        problems.add("An inductor has 3 or 4 bands, not " + colours.size() + ".");
      } else if (!inductor && colours.size() != 1 && (colours.size() < 3 || colours.size() > 6)) {
        problems.add("A resistor has 1, 3, 4, 5 or 6 bands, not " + colours.size() + ".");
      }
      if (!problems.isEmpty()) {
        throw new BadInput(problems);
      }
      return inductor ? inductor(InductorBands.read(bands)) : resistor(bands);
    }

    private static Answer inductor(List<InductorBands.Reading> readings) {
      return new Answer(
          Answer.object("readings", readings.stream().map(Bands::json).toList()),
          readings.isEmpty()
              ? List.of("No legal reading from either end.")
              : readings.stream()
                  .map(r ->
                      text(
                          Engineering.nominal(r.henries(), "H"),
                          r.tolerancePct(),
                          r.preferred(),
                          r.reversed()))
                  .toList(),
          readings.isEmpty());
    }

    private static Object json(InductorBands.Reading reading) {
      return Answer.object(
          "henries", reading.henries(),
          "tolerance_pct", reading.tolerancePct(),
          "bands", reading.bands().stream().map(BandColour::text).toList(),
          "reversed", reading.reversed(),
          "preferred", reading.preferred().isEmpty() ? null : reading.preferred());
    }

    private static Answer resistor(List<BandColour> bands) {
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
      return text(
          Engineering.nominal(reading.ohms(), "Ω"),
          reading.tolerancePct(),
          reading.preferred(),
          reading.reversed());
    }

    private static String text(
        String value, double tolerancePct, String preferred, boolean reversed) {
      String series = preferred.isEmpty() ? "no preferred number" : preferred;
      return value
          + " ± "
          + tolerancePct
          + " %  ("
          + series
          + ")"
          + (reversed ? "  read from the other end" : "");
    }
  }

  /** Reads a printed code. */
  @Command(name = "code", description = "Read a printed code, the likeliest reading first.")
  static final class Code extends humble.cli.Command {
    @Parameters(paramLabel = "TEXT", description = "What is printed, such as 104K or 4R7.")
    String text = "";

    @Option(
        names = "--as",
        paramLabel = "KIND",
        description = "resistor, capacitor, inductor or crystal; all when not given.")
    @Nullable String as;

    @Override
    Answer answer() {
      MarkReading.Kind kind = as == null ? null : MarkReading.Kind.named(as).orElse(null);
      List<String> problems = new ArrayList<>();
      if (as != null && kind == null) {
        problems.add("--as: it is resistor, capacitor, inductor or crystal, not '" + as + "'.");
      }
      if (text.isBlank()) {
        problems.add("TEXT: there is nothing to read.");
      }
      if (!problems.isEmpty()) {
        throw new BadInput(problems);
      }
      List<MarkReading> readings = PrintedCode.read(text, kind);
      return new Answer(
          Answer.object("readings", readings.stream().map(Code::json).toList()),
          readings.isEmpty()
              ? List.of("'" + text + "' says no value.")
              : readings.stream().map(Code::line).toList(),
          readings.isEmpty());
    }

    private static Object json(MarkReading reading) {
      return Answer.object(
          "as", reading.as().text(),
          "value", reading.value(),
          "unit", reading.as() == MarkReading.Kind.RESISTOR ? "ohm" : reading.as().unit(),
          "tolerance_pct", tolerance(reading.tolerancePct()),
          "volts", reading.volts(),
          "text", reading.text());
    }

    private static @Nullable Object tolerance(@Nullable Band band) {
      if (band == null) {
        return null;
      }
      return band.low() == -band.high()
          ? (Object) band.high()
          : Answer.object("low", band.low(), "high", band.high());
    }

    private static String line(MarkReading reading) {
      Band band = reading.tolerancePct();
      String tolerance =
          band == null
              ? ""
              : band.low() == -band.high()
                  ? String.format(Locale.ROOT, "  ± %.3g %%", band.high())
                  : String.format(Locale.ROOT, "  %.3g to +%.3g %%", band.low(), band.high());
      String volts =
          reading.volts() == null ? "" : String.format(Locale.ROOT, "  %.4g V", reading.volts());
      return String.format(Locale.ROOT, "%-10s %s", reading.as().text(), reading.text())
          + tolerance
          + volts;
    }
  }
}
