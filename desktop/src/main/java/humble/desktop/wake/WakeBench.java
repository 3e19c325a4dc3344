package humble.desktop.wake;

import humble.bench.SerialLink;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.kit.Firmware;
import humble.core.kit.Peripheral;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.Errand;
import humble.desktop.session.OpenBuild;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** The board that wakes: how far it is, and the line to it, which never holds the window up. */
record WakeBench(Seat seat, OpenBuild open) {
  /** What came back over the line: what was asked for, or one sentence about what stopped it. */
  sealed interface Answer<T> {
    /** It was done; what the simulated board then shows. */
    record Shown<T>(T what) implements Answer<T> {}

    /** It was not done. */
    record Trouble<T>(String sentence) implements Answer<T> {}
  }

  /** Gives the first peripheral that may wake now and does not yet. */
  Optional<Peripheral> current() {
    return open.kit().peripherals().stream()
        .filter(p -> !open.build().awake().contains(p.id()))
        .filter(p -> p.after().stream().allMatch(this::awake))
        .findFirst();
  }

  /** Tells whether a peripheral is awake, or a gate is open. */
  boolean awake(String id) {
    return open.build().awake().contains(id) || open.build().gateOpen(id);
  }

  /** Tells whether the programs are in, where the kit has any. */
  boolean loaded() {
    return !open.build().loaded().isEmpty() || open.kit().firmware().images().isEmpty();
  }

  /** Gives the state in which the chips are in and the supply is on. */
  Optional<BoardState> powered() {
    return open.kit().states().stream()
        .filter(state -> state.supply() != null)
        .filter(state -> state.absent().isEmpty() && state.drive().isEmpty())
        .findFirst();
  }

  /** Gives what was seen of a peripheral so far. */
  Map<String, String> facts(Peripheral peripheral) {
    return open.build().facts(peripheral.id());
  }

  /** Gives the event that such facts were seen. */
  BuildEvent saw(Peripheral peripheral, Map<String, String> facts, boolean practice) {
    return new BuildEvent.Saw(peripheral.id(), facts, practice);
  }

  /**
   * Starts the program on the simulated board, sends the requests, and then looks at the board; all
   * on the thread of the line.
   */
  <T> Errand<Answer<T>> ask(
      List<String> requests, Supplier<Answer<T>> look, Consumer<Answer<T>> then) {
    List<Firmware.Target> targets = open.kit().firmware().targets();
    if (targets.isEmpty()) {
      return open.works().start(calledOff -> look.get(), then);
    }
    Firmware.Target target = targets.getFirst();
    Build asOf = open.build();
    List<String> all = new ArrayList<>(List.of("start"));
    all.addAll(requests);
    return open.works()
        .talk(
            target.id(),
            calledOff -> {
              String trouble = sent(open.link(target, asOf), all);
              return trouble.isEmpty() ? look.get() : new Answer.Trouble<>(trouble);
            },
            then);
  }

  /** The board itself says whether there is a program in it. */
  private String sent(SerialLink link, List<String> requests) {
    try {
      for (String request : requests) {
        String answer = link.ask(request);
        if (!answer.equals("ok")) {
          return request.equals("start") ? seat.say("wake.not-started", answer) : answer;
        }
      }
      return "";
    } catch (IOException e) {
      return String.valueOf(e.getMessage());
    }
  }

  /** Gives the tree, with the picture of the test that is under way. */
  Mat mat(Optional<Waking.Picture> picture) {
    List<TreeMat.Node> nodes = new ArrayList<>();
    nodes.add(
        new TreeMat.Node(
            "power",
            seat.say("wake.node.power"),
            List.of(),
            open.build().passedGates().isEmpty() ? "todo" : "done"));
    nodes.add(
        new TreeMat.Node(
            "program",
            seat.say("wake.node.program"),
            List.of("power"),
            open.build().loaded().isEmpty() ? "todo" : "done"));
    String now = current().map(Peripheral::id).orElse("");
    for (Peripheral peripheral : open.kit().peripherals()) {
      nodes.add(node(peripheral, peripheral.id().equals(now)));
    }
    return new TreeMat(seat.say("wake.mat"), nodes, picture);
  }

  private TreeMat.Node node(Peripheral peripheral, boolean now) {
    List<String> after =
        peripheral.after().stream()
            .filter(id -> open.kit().peripherals().stream().anyMatch(p -> p.id().equals(id)))
            .toList();
    return new TreeMat.Node(
        peripheral.id(),
        peripheral.id(),
        after.isEmpty() ? List.of("program") : after,
        awake(peripheral.id()) ? "done" : now ? "now" : "todo");
  }
}
