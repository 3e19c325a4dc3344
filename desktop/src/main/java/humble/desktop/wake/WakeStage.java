package humble.desktop.wake;

import humble.bench.PracticeBench;
import humble.bench.SerialLink;
import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.kit.Firmware;
import humble.core.kit.Peripheral;
import humble.core.wake.DisplaySetting;
import humble.core.wake.LightMatrix;
import humble.core.wake.LightSuspect;
import humble.core.wake.Pose;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/** Wakes the board, peripheral by peripheral. */
public final class WakeStage implements Stage {
  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final Set<Integer> dark = new TreeSet<>();
  private String typed = "";
  private boolean ran;
  private int pose;
  private @Nullable Set<Integer> simulatedDark;
  private String trouble = "";

  /** Makes the stage. */
  public WakeStage(OpenBuild open, Desk desk) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
  }

  private Optional<Peripheral> current() {
    return open.kit().peripherals().stream()
        .filter(
            p -> !open.build().awake().contains(p.id()) && p.after().stream().allMatch(this::awake))
        .findFirst();
  }

  private boolean awake(String id) {
    return open.build().awake().contains(id) || open.build().gateOpen(id);
  }

  private boolean loaded() {
    return !open.build().loaded().isEmpty() || open.kit().firmware().images().isEmpty();
  }

  /** The state in which the chips are in and the supply is on. */
  private Optional<BoardState> powered() {
    return open.kit().states().stream()
        .filter(
            state -> state.supply() != null && state.absent().isEmpty() && state.drive().isEmpty())
        .findFirst();
  }

  @Override
  public Card card() {
    if (!loaded()) {
      return new Card.Maker(words.say("wake.kicker.first"), words.say("wake.load-first"))
          .how(words.say("wake.load-first.how"))
          .go(words.say("wake.to-load"));
    }
    Peripheral peripheral = current().orElse(null);
    if (peripheral == null) {
      boolean all = open.kit().peripherals().stream().allMatch(p -> awake(p.id()));
      Card.Maker card =
          new Card.Maker(
              words.say("wake.kicker.done"), words.say(all ? "wake.done" : "wake.stuck"));
      open.kit()
          .peripherals()
          .forEach(p -> card.row(awake(p.id()) ? Standing.DONE : Standing.TO_DO, p.id()));
      takeBack(card);
      return card.go(words.say("wake.close"));
    }
    int number = open.kit().peripherals().indexOf(peripheral) + 1;
    String kicker =
        words.say("wake.kicker", peripheral.id(), number, open.kit().peripherals().size());
    return switch (peripheral) {
      case Peripheral.Matrix matrix -> lights(kicker, matrix);
      case Peripheral.Display display -> display(kicker, display);
      case Peripheral.Other other -> byEye(kicker, other);
    };
  }

  private void takeBack(Card.Maker card) {
    card.hint(
        "−",
        words.say("key.take-back"),
        () -> {
          open.takeBack();
          desk.go(StageId.WAKE);
        });
  }

  private Card lights(String kicker, Peripheral.Matrix matrix) {
    if (!ran) {
      Card.Maker card = new Card.Maker(kicker, words.say("wake.lights.title"));
      card.how(words.say("wake.lights.how", matrix.lights().size()));
      open.kit().cautions().stream()
          .filter(c -> matrix.lights().stream().anyMatch(l -> l.ref().equals(c.at())))
          .findFirst()
          .ifPresent(c -> card.caution(false, c.text()));
      if (!trouble.isEmpty()) {
        card.verdict(false, trouble);
      }
      takeBack(card);
      return card.go(words.say(open.practiceOn() ? "wake.lights.run" : "wake.lights.own"));
    }
    Card.Maker card = new Card.Maker(kicker, words.say("wake.lights.which"));
    card.how(words.say("wake.lights.which.how"));
    card.field(typed, words.say("wake.lights.unit"));
    if (!typed.isEmpty() && number(matrix).isEmpty()) {
      card.verdict(false, words.say("wake.lights.no-such", matrix.lights().size()));
    } else if (!dark.isEmpty()) {
      card.verdict(false, words.say("wake.lights.dark", List.copyOf(dark)));
      for (LightSuspect suspect :
          new LightMatrix(matrix).suspects(dark, Set.of()).stream().limit(3).toList()) {
        card.row(
            Standing.TO_DO,
            words.say(
                "wake.suspect",
                Math.round(suspect.belief() * suspect.group().size() * 100),
                suspects(suspect)));
      }
    }
    if (simulatedDark != null) {
      card.why(words.say("wake.simulated"));
    }
    takeBack(card);
    if (!typed.isEmpty()) {
      return number(matrix).isPresent()
          ? card.go(
              words.say(
                  dark.contains(number(matrix).get()) ? "wake.lights.unmark" : "wake.lights.mark",
                  typed))
          : card.notYet(words.say("wake.lights.number"));
    }
    return card.go(
        words.say(dark.isEmpty() ? "wake.lights.all" : "wake.lights.write", dark.size()));
  }

  private String suspects(LightSuspect suspect) {
    return String.join(
        words.say("wake.or"), suspect.group().stream().map(this::faultName).toList());
  }

  private String faultName(String fault) {
    int colon = fault.indexOf(':');
    return words.say("wake.fault." + fault.substring(0, colon), fault.substring(colon + 1));
  }

  private Optional<Integer> number(Peripheral.Matrix matrix) {
    try {
      int number = Integer.parseInt(typed);
      return number >= 1 && number <= matrix.lights().size()
          ? Optional.of(number)
          : Optional.empty();
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  private DisplaySetting setting(Peripheral.Display display) {
    return open.build().displaySettings().getOrDefault(display.id(), DisplaySetting.PLAIN);
  }

  private Card display(String kicker, Peripheral.Display display) {
    if (!ran) {
      Card.Maker card = new Card.Maker(kicker, words.say("wake.display.title"));
      card.how(words.say("wake.display.how"));
      if (!trouble.isEmpty()) {
        card.verdict(false, trouble);
      }
      takeBack(card);
      return card.go(words.say(open.practiceOn() ? "wake.display.run" : "wake.display.own"));
    }
    Card.Maker card = new Card.Maker(kicker, words.say("wake.display.which"));
    card.how(words.say("wake.display.which.how"));
    DisplaySetting present = setting(display);
    card.why(
        words.say(
            "wake.display.present",
            present.pose().rotateDeg(),
            words.say(present.pose().mirror() ? "wake.mirrored" : "wake.plain")));
    if (pose > 0) {
      DisplaySetting needed = needed(display);
      card.verdict(
          pose == 1,
          pose == 1
              ? words.say("wake.display.upright")
              : words.say(
                  "wake.display.needed",
                  needed.pose().rotateDeg(),
                  words.say(needed.pose().mirror() ? "wake.mirrored" : "wake.plain")));
    }
    if (open.practiceOn()) {
      card.why(words.say("wake.simulated"));
    }
    takeBack(card);
    return pose == 0
        ? card.notYet(words.say("wake.display.pick"))
        : card.go(words.say(pose == 1 ? "wake.display.awake" : "wake.display.send"));
  }

  private DisplaySetting needed(Peripheral.Display display) {
    return setting(display)
        .neededFor(new DisplaySetting.Seen(Pose.all().get(pose - 1), false, false, 0, 0));
  }

  private Card byEye(String kicker, Peripheral.Other other) {
    Card.Maker card = new Card.Maker(kicker, words.say("wake.by-eye", other.kind()));
    card.how(words.say("wake.by-eye.how"));
    takeBack(card);
    return card.go(words.say("wake.by-eye.go"));
  }

  @Override
  public void typing(String text) {
    typed = text;
  }

  @Override
  public void digit(int digit) {
    if (ran && digit >= 1 && digit <= 8 && current().orElse(null) instanceof Peripheral.Display) {
      pose = digit;
    }
  }

  @Override
  public void enter(String text) {
    if (!loaded()) {
      desk.go(StageId.LOAD);
      return;
    }
    switch (current().orElse(null)) {
      case null -> desk.go(StageId.CLOSE);
      case Peripheral.Matrix matrix -> enterLights(matrix, text);
      case Peripheral.Display display -> enterDisplay(display);
      case Peripheral.Other other -> {
        open.act(new BuildEvent.Woke(other.id()));
        ran = false;
      }
    }
  }

  private void enterLights(Peripheral.Matrix matrix, String text) {
    if (!ran) {
      runLights(matrix);
      return;
    }
    typed = text;
    if (!text.isEmpty()) {
      number(matrix)
          .ifPresent(number -> {
            if (!dark.remove(number)) {
              dark.add(number);
            }
            desk.type("");
          });
      return;
    }
    BuildEvent seen = new BuildEvent.LightsSeen(matrix.id(), dark, simulatedDark != null);
    if (dark.isEmpty()) {
      open.act(seen, new BuildEvent.Woke(matrix.id()));
    } else {
      open.act(seen);
    }
    ran = false;
    dark.clear();
  }

  private void runLights(Peripheral.Matrix matrix) {
    trouble = "";
    simulatedDark = null;
    if (open.practiceOn()) {
      PracticeBench bench = open.practice();
      BoardState state = powered().orElse(null);
      String started = started();
      if (state == null || !started.isEmpty()) {
        trouble = state == null ? words.say("wake.no-state") : started;
        return;
      }
      simulatedDark = bench.darkLights(matrix, state);
    }
    ran = true;
  }

  /**
   * Starts the program on the simulated board again; the board itself says whether there is one.
   */
  private String started() {
    List<Firmware.Target> targets = open.kit().firmware().targets();
    if (targets.isEmpty()) {
      return "";
    }
    SerialLink link = open.board(targets.getFirst());
    try {
      String answer = link.ask("start");
      return answer.equals("ok") ? "" : words.say("wake.not-started", answer);
    } catch (IOException e) {
      return String.valueOf(e.getMessage());
    }
  }

  private void enterDisplay(Peripheral.Display display) {
    if (!ran) {
      trouble = open.practiceOn() ? ask("show") : "";
      boolean lit =
          !open.practiceOn()
              || powered()
                  .map(state -> open.practice().displayPowered(display, state))
                  .orElse(false);
      if (trouble.isEmpty() && !lit) {
        trouble = words.say("wake.display.unpowered");
      }
      ran = trouble.isEmpty();
      return;
    }
    if (pose == 1) {
      open.act(new BuildEvent.Woke(display.id()));
      ran = false;
      pose = 0;
    } else if (pose > 1) {
      DisplaySetting needed = needed(display);
      if (open.practiceOn()) {
        trouble =
            ask(
                "display "
                    + needed.pose().rotateDeg()
                    + " "
                    + (needed.pose().mirror() ? 1 : 0)
                    + " 0 0 0 0");
      }
      if (trouble.isEmpty()) {
        open.act(new BuildEvent.DisplaySet(display.id(), needed, open.practiceOn()));
      }
      pose = 0;
    }
  }

  private String ask(String request) {
    String started = started();
    List<Firmware.Target> targets = open.kit().firmware().targets();
    if (!started.isEmpty() || targets.isEmpty()) {
      return started;
    }
    try {
      String answer = open.board(targets.getFirst()).ask(request);
      return answer.equals("ok") ? "" : answer;
    } catch (IOException e) {
      return String.valueOf(e.getMessage());
    }
  }

  @Override
  public Mat mat() {
    List<TreeMat.Node> nodes = new ArrayList<>();
    nodes.add(
        new TreeMat.Node(
            "power",
            words.say("wake.node.power"),
            List.of(),
            open.build().passedGates().isEmpty() ? "todo" : "done"));
    nodes.add(
        new TreeMat.Node(
            "program",
            words.say("wake.node.program"),
            List.of("power"),
            open.build().loaded().isEmpty() ? "todo" : "done"));
    String now = current().map(Peripheral::id).orElse("");
    for (Peripheral peripheral : open.kit().peripherals()) {
      List<String> after =
          peripheral.after().stream()
              .filter(id -> open.kit().peripherals().stream().anyMatch(p -> p.id().equals(id)))
              .toList();
      String standing =
          awake(peripheral.id()) ? "done" : peripheral.id().equals(now) ? "now" : "todo";
      nodes.add(
          new TreeMat.Node(
              peripheral.id(),
              peripheral.id(),
              after.isEmpty() ? List.of("program") : after,
              standing));
    }
    Optional<Peripheral> peripheral = loaded() ? current() : Optional.empty();
    Optional<TreeMat.Lights> lights =
        peripheral
            .filter(p -> p instanceof Peripheral.Matrix)
            .map(p -> lights((Peripheral.Matrix) p));
    Optional<TreeMat.Screen> screen =
        peripheral
            .filter(p -> p instanceof Peripheral.Display && ran)
            .map(p -> screen((Peripheral.Display) p));
    return new TreeMat(words.say("wake.mat"), nodes, lights, screen, words);
  }

  private TreeMat.Lights lights(Peripheral.Matrix matrix) {
    Set<Integer> unlit = simulatedDark == null ? Set.of() : simulatedDark;
    return new TreeMat.Lights(
        open.parts(),
        matrix,
        ran,
        ran && simulatedDark != null,
        unlit,
        Set.copyOf(dark),
        open.build().fittedRefs());
  }

  private TreeMat.Screen screen(Peripheral.Display display) {
    Optional<Pose> shown =
        open.practiceOn()
            ? Optional.of(open.practice().figure(display, setting(display)))
            : Optional.empty();
    return new TreeMat.Screen(shown, pose);
  }
}
