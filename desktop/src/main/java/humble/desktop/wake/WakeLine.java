package humble.desktop.wake;

import humble.bench.Greeting;
import humble.bench.LineTrouble;
import humble.bench.SerialLink;
import humble.bench.line.LineLink;
import humble.bench.line.PortSeen;
import humble.bench.line.SerialPorts;
import humble.core.kit.Firmware;
import humble.core.words.Phrase;
import humble.desktop.hand.Seat;
import humble.desktop.session.Errand;
import humble.desktop.session.Job;
import humble.desktop.session.OpenBuild;
import java.io.IOException;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;

/**
 * The line to a real board: chosen once, opened when something is first asked of the board, and
 * open until the stage is left, since many boards start anew whenever their port is opened.
 */
final class WakeLine {
  private static final int ANSWER_MS = 3_000;
  private static final int PAUSE_MS = 1_000;
  private static final int STEP_MS = 50;
  private static final String OK = "ok";

  /** Drives nothing: every pin is released. */
  static final String RELEASE = "drive";

  private final Seat seat;
  private final OpenBuild open;
  private final Runnable ask;
  private final SerialPorts ports = new SerialPorts();
  private Errand<?> looking = Errand.over();
  private List<PortSeen> seen = List.of();
  private boolean looked;
  private @Nullable Held held;

  /**
   * A port that was chosen. Its link is opened and used on the thread of its port alone: another
   * port has another one.
   */
  private static final class Held {
    private final String name;
    private @Nullable SerialLink link;

    private Held(String name) {
      this.name = name;
    }

    private void close() {
      SerialLink now = link;
      link = null;
      if (now != null) {
        now.close();
      }
    }
  }

  /**
   * Makes it.
   *
   * @param ask asks which line it is
   */
  WakeLine(Seat seat, OpenBuild open, Runnable ask) {
    this.seat = seat;
    this.open = open;
    this.ask = ask;
  }

  /** Asks which line it is. */
  void ask() {
    ask.run();
  }

  /** Gives the port that was chosen. */
  Optional<String> port() {
    return Optional.ofNullable(held).map(each -> each.name);
  }

  void choose(String name) {
    close();
    held = new Held(name);
  }

  /** Goes back to doing without. */
  void none() {
    close();
    held = null;
  }

  /** Gives the ports that were there when they were looked at last. */
  List<PortSeen> seen() {
    return seen;
  }

  boolean hasLooked() {
    return looked;
  }

  /** Looks what is plugged in, a moment after it was looked at last. */
  void look() {
    if (!looking.isRunning()) {
      boolean again = looked;
      looking =
          open.works()
              .talk(
                  "ports of the waking",
                  calledOff -> {
                    pause(again ? PAUSE_MS : 0, calledOff);
                    return ports.look();
                  },
                  found -> {
                    looked = true;
                    seen = found;
                    seat.desk().refresh();
                  });
    }
  }

  private static void pause(int ms, BooleanSupplier calledOff) {
    for (int waited = 0; waited < ms && !calledOff.getAsBoolean(); waited += STEP_MS) {
      LockSupport.parkNanos(STEP_MS * 1_000_000L);
    }
  }

  /**
   * Gives work that sends requests on the thread of the port that is chosen now, and gives one
   * sentence about what stopped them, or nothing. What was driven is released when it is called
   * off.
   *
   * @param dwellMs how long each stands before the next
   */
  Job<String> sending(Firmware.Target target, List<String> requests, int dwellMs) {
    Held at = Objects.requireNonNull(held);
    return calledOff -> {
      try {
        return sent(at, target, requests, dwellMs, calledOff);
      } catch (LineTrouble e) {
        at.close();
        return seat.say(e.phrase());
      } catch (IOException e) {
        at.close();
        return seat.say(Phrase.of("link.broken", String.valueOf(e.getMessage())));
      }
    };
  }

  private String sent(
      Held at,
      Firmware.Target target,
      List<String> requests,
      int dwellMs,
      BooleanSupplier calledOff)
      throws IOException {
    SerialLink link = opened(at, target);
    boolean drives = false;
    for (String request : requests) {
      if (calledOff.getAsBoolean()) {
        if (drives) {
          link.ask(RELEASE);
        }
        return "";
      }
      drives |= request.startsWith(RELEASE);
      String answer = link.ask(request);
      if (!answer.equals(OK)) {
        return seat.say("wake.line.refused", at.name, answer);
      }
      pause(dwellMs, calledOff);
    }
    return "";
  }

  /** Another board than the kit's is not driven: its pins mean something else. */
  private static SerialLink opened(Held at, Firmware.Target target) throws IOException {
    SerialLink now = at.link;
    if (now == null) {
      now = new LineLink(SerialPorts.open(at.name, target.facts().baud()), ANSWER_MS);
      at.link = now;
      Optional<Phrase> stranger = Greeting.stranger(now.ask("hello"), target);
      if (stranger.isPresent()) {
        throw new LineTrouble(stranger.get());
      }
      String started = now.ask("start");
      if (!started.equals(OK)) {
        throw new LineTrouble(Phrase.of("link.not-started", started));
      }
    }
    return now;
  }

  /** Closes the port, on its own thread; what is under way there comes to its end first. */
  void close() {
    looking.cancel();
    Held now = held;
    if (now != null) {
      open.works()
          .talk(
              now.name,
              calledOff -> {
                now.close();
                return true;
              },
              closed -> {});
    }
  }
}
