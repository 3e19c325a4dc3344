package humble.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A virtual display of 1280 × 800. */
record Display(String name, Process server) implements AutoCloseable {
  private static final int FIRST = 91;
  private static final int TRIES = 100;

  static Display open() throws IOException, InterruptedException {
    int number = FIRST;
    while (Files.exists(socket(number))) {
      number++;
    }
    Process server =
        new ProcessBuilder("Xvfb", ":" + number, "-screen", "0", "1280x800x24")
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    for (int i = 0; i < TRIES && !Files.exists(socket(number)); i++) {
      Thread.sleep(50);
    }
    return new Display(":" + number, server);
  }

  private static Path socket(int number) {
    return Path.of("/tmp/.X11-unix/X" + number);
  }

  @Override
  public void close() {
    server.destroy();
  }
}
