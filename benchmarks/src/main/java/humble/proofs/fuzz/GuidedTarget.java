package humble.proofs.fuzz;

import humble.formats.kit.KitFolder;
import humble.formats.kit.KitRead;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;

/**
 * What a fuzzer calls that is led by the branches an input takes: one reader, named by the system
 * property {@code humble.fuzz.reader}.
 */
public final class GuidedTarget {
  /** The fuzzer calls a static method: what it needs is held here, made ready once. */
  private static final AtomicReference<Reader> READER = new AtomicReference<>();

  private static final AtomicLong NUMBER = new AtomicLong();

  private GuidedTarget() {}

  /** Makes the reader ready, before the first input is timed. */
  public static void fuzzerInitialize() throws IOException {
    Reader reader = ready();
    reader.read(0, new byte[0]);
    READER.set(reader);
  }

  private static Reader ready() {
    try {
      Path root = Path.of(System.getProperty("humble.root", "."));
      return switch (KitFolder.at(root.resolve("kits/glowmoth")).read()) {
        case KitRead.Opened read ->
            new Reader(
                System.getProperty("humble.fuzz.reader", ""),
                Files.createTempDirectory("humble-guided"),
                read.kit());
        case KitRead.Refused refused -> throw new IllegalStateException(refused.toString());
      };
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Reads one input; whatever it throws is a fault of the reader. */
  public static void fuzzerTestOneInput(byte[] bytes) throws IOException {
    Objects.requireNonNull(READER.get()).read(NUMBER.getAndIncrement(), bytes);
  }
}
