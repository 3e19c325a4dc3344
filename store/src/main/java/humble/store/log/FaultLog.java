package humble.store.log;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.classic.util.LogbackMDCAdapter;
import ch.qos.logback.core.FileAppender;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;

/**
 * Writes faults of the program to {@code log/humble.log} in the folder of the bench: five files of
 * one megabyte at most. Nothing is opened before the first entry, so that a start costs nothing.
 */
public final class FaultLog implements AutoCloseable {
  private static final String LAYOUT = "%d{yyyy-MM-dd'T'HH:mm:ss.SSSX,UTC} %-5level %msg%n%ex";
  private static final long MOST_BYTES = 1_000_000;
  private static final int OLDER_FILES = 4;

  private final Path file;
  private @Nullable LoggerContext context;
  private @Nullable Logger logger;

  /** Makes the log of the bench in {@code home}. */
  public FaultLog(Path home) {
    this.file = home.resolve("log").resolve("humble.log");
  }

  /** Gives the file that is written to. */
  public Path file() {
    return file;
  }

  /** Writes a fault of the program down. */
  public void fault(String what, Throwable fault) {
    write(what, fault);
  }

  /** Writes down that something could not be done, and why. */
  public void note(String what) {
    write(what, null);
  }

  private synchronized void write(String what, @Nullable Throwable fault) {
    rollOver();
    Logger to = logger == null ? open() : logger;
    logger = to;
    if (fault == null) {
      to.warn(what);
    } else {
      to.error(what, fault);
    }
  }

  /**
   * Moves the files on when the newest is full. The library's own rolling takes a per cent sign in
   * the name of a folder for a command.
   */
  private void rollOver() {
    try {
      if (!Files.exists(file) || Files.size(file) < MOST_BYTES) {
        return;
      }
      close();
      for (int older = OLDER_FILES; older > 0; older--) {
        Path from = older == 1 ? file : numbered(older - 1);
        if (Files.exists(from)) {
          Files.move(from, numbered(older), StandardCopyOption.REPLACE_EXISTING);
        }
      }
    } catch (IOException e) {
      // Where files cannot be moved the log goes on in the one that is there.
      logger = null;
    }
  }

  private Path numbered(int older) {
    return file.resolveSibling("humble-" + older + ".log");
  }

  /** Where the file cannot be written the library says so to nobody, and the program goes on. */
  private Logger open() {
    LoggerContext made = new LoggerContext();
    made.setMDCAdapter(new LogbackMDCAdapter());
    FileAppender<ILoggingEvent> appender = new FileAppender<>();
    appender.setContext(made);
    appender.setFile(file.toString());
    PatternLayoutEncoder encoder = new PatternLayoutEncoder();
    encoder.setContext(made);
    encoder.setCharset(StandardCharsets.UTF_8);
    encoder.setPattern(LAYOUT);
    encoder.start();
    appender.setEncoder(encoder);
    appender.start();
    ch.qos.logback.classic.Logger root = made.getLogger(Logger.ROOT_LOGGER_NAME);
    root.setLevel(Level.INFO);
    root.addAppender(appender);
    context = made;
    return made.getLogger("humble");
  }

  @Override
  public synchronized void close() {
    if (context != null) {
      context.stop();
    }
    context = null;
    logger = null;
  }
}
