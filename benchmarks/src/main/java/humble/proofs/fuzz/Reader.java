package humble.proofs.fuzz;

import humble.bench.PracticeBench;
import humble.bench.SerialLink;
import humble.bench.Transfer;
import humble.core.budget.Budget;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.firmware.ImageCheck;
import humble.core.firmware.ImageDiff;
import humble.core.firmware.ProgramImage;
import humble.core.intake.Draft;
import humble.core.intake.Intake;
import humble.core.intake.PartRow;
import humble.core.intake.SheetText;
import humble.core.kit.Firmware;
import humble.core.kit.Kit;
import humble.core.kit.Parts;
import humble.core.kit.Setting;
import humble.core.settings.SettingsCheck;
import humble.core.settings.SettingsEdit;
import humble.core.settings.SettingsText;
import humble.core.trim.Knob;
import humble.core.trim.TrimAdvice;
import humble.core.trim.Trimmer;
import humble.core.words.Words;
import humble.formats.ReadingBudget;
import humble.formats.board.BoardNets;
import humble.formats.board.DrillFile;
import humble.formats.board.Gerber;
import humble.formats.board.LengthUnit;
import humble.formats.board.NetText;
import humble.formats.board.Netlist;
import humble.formats.image.ImageFile;
import humble.formats.image.ImageRead;
import humble.formats.image.ImageWriter;
import humble.formats.image.IntelHex;
import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import humble.formats.kit.KitWriter;
import humble.formats.report.EventWords;
import humble.formats.report.HtmlReport;
import humble.formats.settings.SettingsFile;
import humble.formats.table.PartsTable;
import humble.formats.table.TableText;
import humble.formats.trim.TrimJson;
import humble.store.Journal;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One reader of the program, from the bytes of a stranger to what the program makes of them. What
 * it refuses in the way it should is no finding; what it throws besides is.
 */
final class Reader {
  /** The readers there are, in the order they are listed. */
  static final List<String> NAMES =
      List.of(
          "kit",
          "archive",
          "csv",
          "sheet",
          "places",
          "gerber",
          "drill",
          "netlist",
          "copper",
          "nets",
          "workbook",
          "hex",
          "srec",
          "uf2",
          "elf",
          "settings",
          "event",
          "trim",
          "link");

  private static final Firmware.Target TARGET =
      new Firmware.Target(
          "main",
          "U1",
          List.of(new Firmware.Region("flash", 0, 0x7fff)),
          List.of(new Firmware.Region("boot", 0x7e00, 0x7fff)),
          128,
          255,
          0L,
          null,
          List.of("page"));

  /** What is made of a list or a log is made of so many of the inputs: it takes far longer. */
  private static final int MADE_EVERY = 64;

  private final String name;
  private final Path folder;
  private final Kit kit;
  private final List<PartRow> rows;

  /**
   * Makes a reader.
   *
   * @param name one of {@link #NAMES}
   * @param folder a folder of its own for what must lie in a file
   * @param kit a kit that places and events belong to
   */
  Reader(String name, Path folder, Kit kit) throws IOException {
    this.name = name;
    this.folder = folder;
    this.kit = kit;
    this.rows =
        PartsTable.parts("Ref,Value,Package\nR1,10k,axial-10\nC1,100n,disc-5\n", "l").rows();
  }

  /** Reads the input of that number; gives a kit when that is what came of it. */
  Optional<Kit> read(long number, byte[] bytes) throws IOException {
    Budget budget = ReadingBudget.usual();
    boolean makes = number % MADE_EVERY == 0 || number < MADE_EVERY;
    try {
      return switch (name) {
        case "kit" -> opened(KitFolder.at(folder).parse(bytes, budget));
        case "archive" -> opened(archive(bytes, budget));
        case "csv" ->
            drafted(makes, PartsTable.parts(TableText.of(bytes), "l", budget).rows(), List.of());
        case "sheet" ->
            drafted(makes, SheetText.read(TableText.of(bytes), "s", budget).rows(), List.of());
        case "places" ->
            drafted(makes, rows, PartsTable.places(TableText.of(bytes), "p", budget).rows());
        case "gerber" -> nothing(Gerber.read("a", bytes, budget));
        case "drill" -> nothing(DrillFile.read("a", bytes, budget));
        case "netlist" -> nothing(Netlist.read("a", bytes, budget).nets());
        case "copper" -> nothing(copper(bytes, budget));
        case "nets" -> nothing(NetText.read(TableText.of(bytes), "n", budget).nets());
        case "workbook" -> {
          Path file = folder.resolve("list.xlsx");
          java.nio.file.Files.write(file, bytes);
          yield drafted(
              makes, PartsTable.parts(TableText.read(file, budget), "w", budget).rows(), List.of());
        }
        case "hex" -> image(IntelHex.read("a", bytes, budget), "a.hex");
        case "srec" -> image(read(bytes, budget), "a.s37");
        case "uf2" -> image(read(bytes, budget), "a.uf2");
        case "elf" -> image(read(bytes, budget), "a.hex");
        case "settings" -> settings(bytes);
        case "event" -> events(makes, bytes);
        case "trim" -> trim(bytes);
        case "link" -> link(bytes);
        default -> throw new IllegalArgumentException("there is no reader '" + name + "'");
      };
    } catch (IOException e) {
      // Told with one sentence, as it should be.
      return Optional.empty();
    }
  }

  /** Two layers of the same drawing, joined by the holes of a small drill file. */
  private static BoardNets copper(byte[] bytes, Budget budget) {
    byte[] drill =
        "M48\nMETRIC\nT1C0.8\n%\nT1\nX1.0Y1.0\nX2.0Y2.0G85X4.0Y2.0\nM30\n"
            .getBytes(java.nio.charset.StandardCharsets.ISO_8859_1);
    return BoardNets.of(
        java.util.Map.of(
            "copper_top", "t", "copper_2", "t", "copper_bottom", "t", "profile", "t", "drill", "d"),
        name -> name.equals("d") ? drill : bytes,
        BoardNets.Source.COPPER,
        List.of(),
        LengthUnit.MILLIMETRES,
        budget);
  }

  private static final List<Setting> SETTINGS =
      List.of(
          new Setting(
              "screen",
              "a.h",
              "",
              new Setting.Rule.OneOf(List.of("SCREEN_A", "SCREEN_B"), Map.of()),
              false,
              true),
          new Setting(
              "rate",
              "a.h",
              "",
              new Setting.Rule.Value("RATE", 1.0, 100.0, true, "Hz", false),
              false,
              true));

  private static long lines(String text) {
    return text.chars().filter(c -> c == '\n').count();
  }

  /** Judged and changed as a header and as a key-value file; what was not meant stays. */
  private static Optional<Kit> settings(byte[] bytes) {
    String all = new String(bytes, StandardCharsets.ISO_8859_1);
    for (String file : List.of("a.h", "a.cfg", "a.json")) {
      SettingsText text = SettingsFile.read(file, all);
      SETTINGS.forEach(each -> SettingsCheck.of(each, text));
      if (SettingsEdit.of(text, SETTINGS, Map.of("screen", "SCREEN_B", "rate", "7"))
          instanceof SettingsEdit.Outcome.Edited done) {
        // A value that went over several lines is one line now; nothing else may be gone.
        long replaced = done.changes().stream().mapToLong(change -> lines(change.from())).sum();
        if (lines(all) - replaced != lines(done.text())) {
          throw new IllegalStateException("a line was lost");
        }
      }
    }
    return Optional.empty();
  }

  private KitRead archive(byte[] bytes, Budget budget) throws IOException {
    Path file = folder.resolve("input.hckit");
    Files.write(file, bytes);
    return KitFolder.at(file).read(budget);
  }

  private static Optional<Kit> opened(KitRead read) {
    return switch (read) {
      case KitRead.Opened opened -> Optional.of(opened.kit());
      case KitRead.Refused refused -> Optional.empty();
    };
  }

  private static Optional<Kit> nothing(@Nullable Object read) {
    return Optional.empty();
  }

  /** A list becomes a kit, and the kit is written; it must be one that can be read. */
  private Optional<Kit> drafted(boolean makes, List<PartRow> parts, List<PartRow> places) {
    if (!makes) {
      return Optional.empty();
    }
    Draft draft = Intake.draft("Drafted", parts, places, Map.of());
    byte[] written = KitWriter.text(draft.kit());
    return opened(KitFolder.at(folder).parse(written, ReadingBudget.usual()));
  }

  private static ImageRead read(byte[] bytes, Budget budget) {
    return ImageFile.read("a", bytes, ImageFile.Known.NOTHING, budget);
  }

  /** What was read is written, and what was written is read as the same. */
  private static Optional<Kit> image(ImageRead read, String as) {
    if (read instanceof ImageRead.Image image) {
      ImageCheck.of(image.image(), TARGET);
      image.image().sha256();
      if (image.image().length() < 1 << 20) {
        byte[] written =
            ImageWriter.write(as, image.image(), new ImageWriter.As(0xff, null)).orElseThrow();
        boolean same =
            image.image().segments().isEmpty()
                || read(written, ReadingBudget.usual()) instanceof ImageRead.Image again
                    && ImageDiff.of(image.image(), again.image()).isEmpty();
        if (!same) {
          throw new IllegalStateException("what was written is not what was read");
        }
      }
    }
    return Optional.empty();
  }

  /** One event a line, its word before the first blank; all of them are one build. */
  private Optional<Kit> events(boolean makes, byte[] bytes) {
    Words words = Words.of("humble.formats.report.report", Locale.ENGLISH);
    List<BuildEvent.Entry> entries = new ArrayList<>();
    for (String line : new String(bytes, StandardCharsets.UTF_8).split("\n", -1)) {
      int blank = line.indexOf(' ');
      BuildEvent event =
          Journal.event(
              blank < 0 ? line : line.substring(0, blank), blank < 0 ? "" : line.substring(blank));
      EventWords.say(words, event);
      entries.add(new BuildEvent.Entry(entries.size() + 1L, Instant.EPOCH, event));
    }
    Build build = Build.of("b", entries);
    if (makes) {
      HtmlReport.of(kit, build, Locale.ENGLISH, ZoneOffset.UTC);
    }
    return Optional.empty();
  }

  /** What is asked for next can be set, whatever was tried. */
  private static Optional<Kit> trim(byte[] bytes) {
    TrimJson.read(new String(bytes, StandardCharsets.UTF_8))
        .state()
        .ifPresent(state -> {
          TrimAdvice advice = Trimmer.advise(state);
          for (int i = 0; i < state.knobs().size(); i++) {
            Knob knob = state.knobs().get(i);
            double at = advice.next().get(i);
            if (!(at >= knob.low() && at <= knob.high()) || Double.isNaN(advice.expectedGain())) {
              throw new IllegalStateException("nobody can set " + knob.id() + " to " + at);
            }
          }
        });
    return Optional.empty();
  }

  /** Lines are requests to the simulated board first, then a board's answers to a transfer. */
  private Optional<Kit> link(byte[] bytes) throws IOException {
    String[] lines = new String(bytes, StandardCharsets.ISO_8859_1).split("\n", -1);
    SerialLink board = new PracticeBench(Parts.of(kit), 1, List.of()).link(TARGET);
    for (String line : lines) {
      board.ask(line);
    }
    Iterator<String> answers = Arrays.asList(lines).iterator();
    new Transfer(new Answers(answers), TARGET)
        .send(new ProgramImage.Builder().add(0, new byte[300]).build(), share -> {}, () -> false);
    return Optional.empty();
  }

  /** A board that answers with what stands in the input. */
  private record Answers(Iterator<String> lines) implements SerialLink {
    @Override
    public String description() {
      return "simulated";
    }

    @Override
    public String ask(String request) throws IOException {
      if (!lines.hasNext()) {
        throw new IOException("nothing answers");
      }
      return lines.next();
    }

    @Override
    public void close() {
      // There is nothing to close.
    }
  }
}
