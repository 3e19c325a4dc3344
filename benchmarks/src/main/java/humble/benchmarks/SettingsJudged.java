package humble.benchmarks;

import humble.core.kit.Setting;
import humble.core.settings.SettingsCheck;
import humble.core.settings.SettingsText;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** A header of 10,000 lines read and judged, beside a preprocessor that only reads it. */
final class SettingsJudged {
  private static final int LINES = 10_000;
  private static final int WARM = 40;
  private static final int RUNS = 60;

  private SettingsJudged() {}

  static void measure(PrintStream out) throws IOException, InterruptedException {
    StringBuilder text = new StringBuilder();
    List<Setting> settings = new ArrayList<>();
    for (int line = 0; line < LINES; line++) {
      int group = line / 100;
      text.append(
          switch (line % 10) {
            case 0 -> "#define GROUP_" + group + "_" + line % 100 + "\n";
            case 1, 2, 3 -> "//#define GROUP_" + group + "_" + line % 100 + " // as sold\n";
            case 4 -> "/* of group " + group + " */\n";
            case 5 -> "#if 0\n";
            case 6 -> "#endif\n";
            case 7 -> "#define RATE_" + line + " " + line % 97 + " // Hz\n";
            default -> "\n";
          });
    }
    for (int group = 0; group < LINES / 100; group++) {
      List<String> names = new ArrayList<>();
      for (int i = 0; i < 4; i++) {
        names.add("GROUP_" + group + "_" + i);
      }
      settings.add(
          new Setting(
              "g" + group, "a.h", "", new Setting.Rule.OneOf(names, Map.of()), false, true));
    }
    String header = text.toString();
    List<Double> ms = new ArrayList<>();
    for (int run = 0; run < WARM + RUNS; run++) {
      long begin = System.nanoTime();
      SettingsText read = SettingsText.read("a.h", header);
      long fine =
          settings.stream()
              .filter(each -> SettingsCheck.of(each, read).problem().isEmpty())
              .count();
      double took = (System.nanoTime() - begin) / 1e6;
      if (fine != settings.size()) {
        throw new IllegalStateException("judged wrongly");
      }
      if (run >= WARM) {
        ms.add(took);
      }
    }
    Path file = Files.createTempFile("humble", ".h");
    Files.writeString(file, header);
    List<Double> theirs = new ArrayList<>();
    for (int run = 0; run < 9; run++) {
      theirs.add(Started.whole(List.of("cc", "-E", "-dM", "-x", "c", file.toString())));
    }
    Files.delete(file);
    out.println(
        Median.row(
            "settings: a header of 10,000 lines read, 100 groups judged",
            Median.spread(ms, "ms"),
            "cc -E -dM, whole process: " + Median.spread(theirs, "ms"),
            Median.of(ms) / Median.of(theirs)));
  }
}
