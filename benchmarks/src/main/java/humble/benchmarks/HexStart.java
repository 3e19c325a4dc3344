package humble.benchmarks;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** {@code image info} on 8 MiB of HEX text, the whole process, against {@code srec_info}. */
final class HexStart {
  private static final int TEXT_BYTES = 8 << 20;
  private static final int RUNS = 7;

  private HexStart() {}

  static void measure(Path root, PrintStream out) throws IOException, InterruptedException {
    Path file = Files.createTempFile("humble", ".hex");
    write(file);
    List<String> ours =
        Started.machine(
            "-XX:+UseSerialGC",
            "-Xlog:disable",
            "-XX:AOTCache=" + root.resolve("target/commands.aot"));
    ours.addAll(List.of("humble.cli.Humble", "image", "info", file.toString(), "--json"));
    List<String> theirs = List.of("srec_info", file.toString(), "-intel");
    List<Double> oursMs = new ArrayList<>();
    List<Double> theirsMs = new ArrayList<>();
    Started.whole(ours);
    Started.whole(theirs);
    for (int i = 0; i < RUNS; i++) {
      oursMs.add(Started.whole(ours));
      theirsMs.add(Started.whole(theirs));
    }
    Files.delete(file);
    out.println(
        Median.row(
            "image info, 8 MiB of HEX, whole process",
            Median.spread(oursMs, "ms"),
            "srec_info: " + Median.spread(theirsMs, "ms"),
            Median.of(oursMs) / Median.of(theirsMs)));
  }

  private static void write(Path file) throws IOException {
    Random random = new Random(1);
    byte[] data = new byte[16];
    long written = 0;
    try (BufferedWriter writer = Files.newBufferedWriter(file, StandardCharsets.US_ASCII)) {
      for (int address = 0; written < TEXT_BYTES; address += 16) {
        if (address % 0x10000 == 0) {
          written +=
              record(writer, 4, 0, new byte[] {(byte) (address >> 24), (byte) (address >> 16)});
        }
        random.nextBytes(data);
        written += record(writer, 0, address & 0xffff, data);
      }
      record(writer, 1, 0, new byte[0]);
    }
  }

  private static int record(BufferedWriter writer, int type, int address, byte[] data)
      throws IOException {
    StringBuilder line =
        new StringBuilder(String.format(Locale.ROOT, ":%02X%04X%02X", data.length, address, type));
    int sum = data.length + (address >> 8) + (address & 0xff) + type;
    for (byte b : data) {
      line.append(String.format(Locale.ROOT, "%02X", b & 0xff));
      sum += b;
    }
    line.append(String.format(Locale.ROOT, "%02X%n", -sum & 0xff));
    writer.write(line.toString());
    return line.length();
  }
}
