package humble.bench.line;

import com.fazecast.jSerialComm.SerialPort;
import com.fazecast.jSerialComm.SerialPortInvalidPortException;
import humble.bench.LineTrouble;
import humble.core.words.Phrase;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The serial ports of this machine. */
public final class SerialPorts {
  private static final int BITS = 8;

  /** So long a port that came is called fresh. */
  private static final long FRESH_NANOS = 60_000_000_000L;

  /** When each port that is there came, by the clock of {@link System#nanoTime}. */
  private final Map<String, Long> came = new HashMap<>();

  private boolean looked;

  /** Looks at what is there; what came since the first look, in the last minute, is fresh. */
  public synchronized List<PortSeen> look() {
    long now = System.nanoTime();
    SerialPort[] there = SerialPort.getCommPorts();
    Set<String> names = new HashSet<>();
    Arrays.stream(there).map(SerialPort::getSystemPortPath).forEach(names::add);
    came.keySet().retainAll(names);
    names.forEach(name -> came.putIfAbsent(name, looked ? now : now - FRESH_NANOS));
    looked = true;
    return Arrays.stream(there)
        .map(port ->
            new PortSeen(
                port.getSystemPortPath(),
                says(port),
                now - came.getOrDefault(port.getSystemPortPath(), now) < FRESH_NANOS))
        .sorted((a, b) -> a.name().compareTo(b.name()))
        .toList();
  }

  private static String says(SerialPort port) {
    String plain = port.getDescriptivePortName();
    String maker = port.getManufacturer();
    return maker == null || maker.isBlank() || maker.equals("Unknown")
        ? String.valueOf(plain)
        : plain + ", " + maker;
  }

  /**
   * Opens a port with eight bits, no parity, one stop bit.
   *
   * @param name a port that {@link #look} gave, or the path of a terminal device
   * @throws LineTrouble when there is none of that name, or it cannot be opened
   */
  public static ByteLine open(String name, int baud) throws IOException {
    String device = device(name);
    SerialPort port;
    try {
      port = SerialPort.getCommPort(device);
    } catch (SerialPortInvalidPortException e) {
      throw new LineTrouble(Phrase.of("line.no-port", name));
    }
    port.setComPortParameters(baud, BITS, SerialPort.ONE_STOP_BIT, SerialPort.NO_PARITY);
    if (!port.openPort(0)) {
      throw new LineTrouble(Phrase.of("line.not-opened", name));
    }
    return new Port(port, device);
  }

  /** The library opens a device by its own name only, not by that of a link to it. */
  private static String device(String name) throws IOException {
    Path path;
    try {
      path = Path.of(name);
    } catch (InvalidPathException e) {
      throw new LineTrouble(Phrase.of("line.no-port", name));
    }
    if (!path.isAbsolute()) {
      return name;
    }
    if (!Files.exists(path) || Files.isDirectory(path) || Files.isRegularFile(path)) {
      throw new LineTrouble(Phrase.of("line.no-port", name));
    }
    return path.toRealPath().toString();
  }

  /** A port that is open. */
  private static final class Port implements ByteLine {
    private static final int LOOK_MS = 200;

    private final SerialPort port;
    private final String device;

    private Port(SerialPort port, String device) {
      this.port = port;
      this.device = device;
    }

    @Override
    public String description() {
      return device;
    }

    @Override
    public int read(byte[] into, int waitMs) throws IOException {
      int there = port.bytesAvailable();
      if (there < 0) {
        throw gone();
      }
      // Waiting goes by tenths of a second.
      if (there == 0 && waitMs <= 1) {
        return 0;
      }
      long end = System.nanoTime() + waitMs * 1_000_000L;
      do {
        int left = (int) Math.max(1, (end - System.nanoTime()) / 1_000_000);
        port.setComPortTimeouts(SerialPort.TIMEOUT_READ_SEMI_BLOCKING, Math.min(LOOK_MS, left), 0);
        int got = port.readBytes(into, into.length);
        if (got < 0 || got == 0 && isGone()) {
          throw gone();
        }
        if (got > 0) {
          return got;
        }
      } while (System.nanoTime() < end);
      return 0;
    }

    private boolean isGone() {
      return !port.isOpen() || device.startsWith("/") && !Files.exists(Path.of(device));
    }

    private LineTrouble gone() {
      return new LineTrouble(Phrase.of("line.gone", device));
    }

    @Override
    public void write(byte[] bytes) throws IOException {
      int at = 0;
      while (at < bytes.length) {
        int written = port.writeBytes(bytes, bytes.length - at, at);
        if (written <= 0) {
          throw gone();
        }
        at += written;
      }
    }

    @Override
    public void control(boolean dtr, boolean rts) throws IOException {
      if (!port.setDTRandRTS(dtr, rts)) {
        throw new LineTrouble(Phrase.of("line.no-control", device));
      }
    }

    @Override
    public void close() {
      port.closePort();
    }
  }
}
