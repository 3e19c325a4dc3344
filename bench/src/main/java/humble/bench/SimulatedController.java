package humble.bench;

import humble.core.kit.Firmware;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.Locale;
import java.util.Map;
import java.util.zip.CRC32;

/**
 * A small virtual controller that speaks the link protocol: memory that erases, programs and reads
 * back, pins that are driven, and a display that keeps its setting. It does not run a program's
 * code; it stores, checks and starts it.
 */
final class SimulatedController implements SerialLink {
  private static final int LARGEST_MEMORY = 1 << 20;

  private final Firmware.Target target;
  private final Map<String, byte[]> memory = new HashMap<>();
  private final Map<String, String> pins = new HashMap<>();
  private String displaySetting = "0 0 0 0 0 0";
  private boolean figureShown;
  private boolean started;

  SimulatedController(Firmware.Target target) {
    this.target = target;
    for (Firmware.Region region : target.memory()) {
      byte[] bytes = new byte[(int) Math.min(LARGEST_MEMORY, region.to() - region.from() + 1)];
      Arrays.fill(bytes, (byte) target.erased());
      memory.put(region.id(), bytes);
    }
  }

  @Override
  public String description() {
    return "simulated board";
  }

  @Override
  public void close() {
    started = false;
  }

  Map<String, String> pins() {
    return Map.copyOf(pins);
  }

  String displaySetting() {
    return displaySetting;
  }

  boolean figureShown() {
    return figureShown;
  }

  @Override
  public String ask(String request) {
    String[] words = request.strip().split("\\s+");
    try {
      return switch (words[0]) {
        case "hello" -> hello();
        case "erase" -> erase(address(words[1]), Long.parseLong(words[2]));
        case "page" ->
            page(
                address(words[1]), HexFormat.of().parseHex(words[2]), Long.parseLong(words[3], 16));
        case "read" -> read(address(words[1]), Integer.parseInt(words[2]));
        case "crc" -> crc(address(words[1]), Integer.parseInt(words[2]));
        case "start" -> start();
        case "drive" -> drive(words);
        case "show" -> show();
        case "display" -> display(words);
        default -> "err unknown request";
      };
    } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
      return "err request is not well formed";
    }
  }

  private String hello() {
    String identity = target.facts().identity();
    return "ok humble-link/1 "
        + target.id()
        + " page "
        + target.pageBytes()
        + (identity.isEmpty() ? "" : " id " + identity)
        + " simulated";
  }

  private static long address(String text) {
    return Long.decode(text);
  }

  private record Spot(byte[] bytes, int at) {}

  private Spot spot(long address, long length) {
    for (Firmware.Region region : target.memory()) {
      byte[] bytes = memory.getOrDefault(region.id(), new byte[0]);
      long at = address - region.from();
      if (at >= 0 && length >= 0 && at + length <= bytes.length) {
        return new Spot(bytes, (int) at);
      }
    }
    throw new IllegalArgumentException("outside memory");
  }

  private boolean inBoot(long address, long length) {
    return target.boot().stream()
        .anyMatch(boot -> address <= boot.to() && address + length - 1 >= boot.from());
  }

  private String erase(long address, long length) {
    if (inBoot(address, length)) {
      return "err boot area";
    }
    Spot spot = spot(address, length);
    Arrays.fill(spot.bytes, spot.at, spot.at + (int) length, (byte) target.erased());
    started = false;
    return "ok";
  }

  /**
   * Programming clears bits only, as flash does: a page that was not erased does not come out as
   * sent.
   */
  private String page(long address, byte[] data, long crc) {
    if (crcOf(data, 0, data.length) != crc) {
      return "err checksum";
    }
    if (data.length > target.pageBytes() || inBoot(address, data.length)) {
      return "err page";
    }
    Spot spot = spot(address, data.length);
    for (int i = 0; i < data.length; i++) {
      spot.bytes[spot.at + i] =
          target.erased() == 0xff ? (byte) (spot.bytes[spot.at + i] & data[i]) : data[i];
    }
    return "ok";
  }

  private String read(long address, int length) {
    Spot spot = spot(address, length);
    return "ok " + HexFormat.of().formatHex(spot.bytes, spot.at, spot.at + length);
  }

  private String crc(long address, int length) {
    Spot spot = spot(address, length);
    return String.format(Locale.ROOT, "ok %08x", crcOf(spot.bytes, spot.at, length));
  }

  static long crcOf(byte[] bytes, int from, int length) {
    CRC32 crc = new CRC32();
    crc.update(bytes, from, length);
    return crc.getValue();
  }

  private String start() {
    Long vector = target.vectorAt();
    if (vector != null) {
      Spot spot = spot(vector, 1);
      if ((spot.bytes[spot.at] & 0xff) == target.erased()) {
        return "err nothing to start";
      }
    }
    started = true;
    return "ok";
  }

  private String drive(String[] words) {
    if (!started) {
      return "err not started";
    }
    pins.clear();
    for (int i = 1; i < words.length; i++) {
      String[] pair = words[i].split("=", 2);
      if (pair.length != 2
          || !(pair[1].equals("high") || pair[1].equals("low") || pair[1].equals("off"))) {
        return "err request is not well formed";
      }
      pins.put(pair[0], pair[1]);
    }
    return "ok";
  }

  private String show() {
    if (!started) {
      return "err not started";
    }
    figureShown = true;
    return "ok";
  }

  private String display(String[] words) {
    if (!started) {
      return "err not started";
    }
    if (words.length != 7) {
      return "err request is not well formed";
    }
    for (int i = 1; i < 7; i++) {
      Integer.parseInt(words[i]);
    }
    displaySetting = String.join(" ", Arrays.copyOfRange(words, 1, 7));
    return "ok";
  }
}
