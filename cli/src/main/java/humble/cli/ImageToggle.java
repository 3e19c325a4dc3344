package humble.cli;

import humble.core.firmware.NumberBase;
import humble.core.firmware.ToggleSheet;
import humble.formats.image.ImageFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Gives the switch sheet of a program, and compares what was read back. */
@Command(
    name = "toggle",
    description = "Give the switch sheet of a program, and compare what was read back.")
final class ImageToggle extends humble.cli.Command {
  private static final long LAST_ADDRESS = 0xffff_ffffL;
  private static final int MOST_ROWS = 1 << 20;

  @Parameters(paramLabel = "FILE", description = "An image, or a listing: .lst .txt .asm.")
  @Nullable Path file;

  @Option(names = "--from", paramLabel = "ADDR", description = "The first address.")
  String from = "0";

  @Option(names = "--count", paramLabel = "N", description = "How many rows at most.")
  @Nullable Integer count;

  @Option(
      names = "--base",
      paramLabel = "BASE",
      description = "hex, octal, split-octal or binary: of a listing and of what was read back.")
  String base = "hex";

  @Option(
      names = "--check",
      paramLabel = "READBACK",
      description = "What was read back: lines of VALUE, ADDRESS VALUE or ADDRESS: VALUE.")
  @Nullable Path check;

  @Override
  Answer answer() {
    NumberBase in =
        NumberBase.named(base)
            .orElseThrow(() ->
                new BadInput("--base: '" + base + "' is none of hex, octal, split-octal, binary."));
    Integer most = count;
    if (most != null && most < 1) {
      throw new BadInput("--count: at least one row.");
    }
    Path source = Objects.requireNonNull(file);
    ToggleSheet all =
        source.toString().matches("(?i).*\\.(lst|txt|asm)")
            ? read(source, ToggleSheet.listing(TextInput.needed(source), in))
            : ToggleSheet.of(Images.read(source, new ImageFile.Known(0L, null)).image());
    ToggleSheet sheet =
        all.cut(Images.number("--from", from, LAST_ADDRESS), most == null ? MOST_ROWS : most);
    if (sheet.rows().isEmpty()) {
      throw new BadInput(source + ": there is no byte from " + from + " on.");
    }
    Path back = check;
    return back == null ? sheet(sheet) : compared(sheet, back, in);
  }

  private static <T> T read(Path file, ToggleSheet.Read<T> read) {
    return switch (read) {
      case ToggleSheet.Read.Whole<T> whole -> whole.what();
      case ToggleSheet.Read.Unreadable<T> bad ->
          throw new BadInput(
              bad.lines().entrySet().stream()
                  .map(line -> file + "#" + line.getKey() + ": " + line.getValue())
                  .toList());
    };
  }

  private static Answer sheet(ToggleSheet sheet) {
    List<String> text = new ArrayList<>();
    for (ToggleSheet.Row row : sheet.rows()) {
      text.add(
          String.format(
                  Locale.ROOT,
                  "%04x  %s   %s  %s  %s  %s",
                  row.address(),
                  NumberBase.split(row.address()),
                  NumberBase.HEX.of(row.value()),
                  NumberBase.OCTAL.of(row.value()),
                  NumberBase.BINARY.of(row.value()),
                  row.mnemonic())
              .stripTrailing());
    }
    return new Answer(
        Answer.object("rows", sheet.rows().stream().map(ImageToggle::json).toList()), text, false);
  }

  private static Map<String, @Nullable Object> json(ToggleSheet.Row row) {
    Map<String, @Nullable Object> json = new LinkedHashMap<>();
    json.put("address", row.address());
    json.put("hex", NumberBase.HEX.of(row.value()));
    json.put("octal", NumberBase.OCTAL.of(row.value()));
    json.put("binary", NumberBase.BINARY.of(row.value()));
    json.put("mnemonic", row.mnemonic().isEmpty() ? null : row.mnemonic());
    json.put("split_octal", NumberBase.split(row.address()));
    return json;
  }

  private static Answer compared(ToggleSheet sheet, Path back, NumberBase in) {
    ToggleSheet.ReadBack read = read(back, sheet.readBack(TextInput.needed(back), in));
    List<ToggleSheet.Differs> differ = sheet.differing(read);
    List<ToggleSheet.Row> unread = sheet.unread(read);
    List<String> text = new ArrayList<>();
    for (ToggleSheet.Differs each : differ) {
      text.add(
          String.format(
              Locale.ROOT,
              "%04x  %s was to be %s: switch %s",
              each.row().address(),
              NumberBase.BINARY.of(each.read()),
              NumberBase.BINARY.of(each.row().value()),
              String.join(
                  ", ", each.switches().stream().map(bit -> Integer.toString(bit)).toList())));
    }
    List<Long> beyond = sheet.beyond(read);
    if (!beyond.isEmpty()) {
      text.add(beyond.size() + " bytes read back are of no row of the sheet.");
    }
    if (!unread.isEmpty()) {
      text.add(unread.size() + " rows were not read back.");
    }
    if (text.isEmpty()) {
      text.add("All " + sheet.rows().size() + " rows read as they should.");
    }
    return new Answer(
        Answer.object(
            "rows",
            sheet.rows().stream().map(ImageToggle::json).toList(),
            "differ",
            differ.stream()
                .map(each ->
                    Answer.object(
                        "address",
                        each.row().address(),
                        "wrote",
                        each.row().value(),
                        "read",
                        each.read(),
                        "switches",
                        each.switches()))
                .toList(),
            "unread",
            unread.stream().map(ToggleSheet.Row::address).toList(),
            "beyond",
            beyond),
        text,
        !differ.isEmpty() || !unread.isEmpty());
  }
}
