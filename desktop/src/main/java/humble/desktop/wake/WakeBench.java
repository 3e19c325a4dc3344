package humble.desktop.wake;

import humble.bench.SerialLink;
import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.kit.BoardState;
import humble.core.kit.Firmware;
import humble.core.kit.Part;
import humble.core.kit.Peripheral;
import humble.core.wake.LightNumbers;
import humble.desktop.draw.Mat;
import humble.desktop.finish.Finish;
import humble.desktop.hand.Seat;
import humble.desktop.session.Errand;
import humble.desktop.session.Job;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.PoweredState;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** The board that wakes: how far it is, and the line to it, which never holds the window up. */
record WakeBench(Seat seat, OpenBuild open, WakeLine line) {
  /** What came back over the line: what was asked for, or one sentence about what stopped it. */
  sealed interface Answer<T> {
    /** It was done; what the simulated board then shows. */
    record Shown<T>(T what) implements Answer<T> {}

    /** It was not done. */
    record Trouble<T>(String sentence) implements Answer<T> {}
  }

  /** Gives the first peripheral that may wake now and does not yet. */
  Optional<Peripheral> current() {
    List<String> later = open.build().later();
    return ready().stream().min(Comparator.comparingInt(each -> later.indexOf(each.id())));
  }

  /** Gives every peripheral that may wake now and does not yet, in the kit's order. */
  List<Peripheral> ready() {
    return open.kit().peripherals().stream()
        .filter(p -> !open.build().awake().contains(p.id()))
        .filter(p -> p.after().stream().allMatch(this::awake))
        .toList();
  }

  /** Tells whether something else may be done now: a peripheral, or what finishes the thing. */
  boolean others(Peripheral peripheral) {
    return ready().stream().anyMatch(each -> !each.equals(peripheral))
        || !finish().ready().isEmpty();
  }

  /**
   * Gives what was answered when a peripheral did not do what it should; empty when nothing was.
   */
  String ails(Peripheral peripheral) {
    String answer = facts(peripheral).getOrDefault("answer", "");
    return awake(peripheral.id()) || answer.equals("does") ? "" : answer;
  }

  /** Gives what Mend may start from: a part that does nothing, seen with the board on. */
  Optional<BuildEvent> observed(Peripheral peripheral) {
    List<String> refs =
        peripheral instanceof Peripheral.Buttons keys ? silent(keys) : List.of(peripheral.part());
    return refs.stream()
        .filter(ref -> open.built().part(ref).filter(Part::mayBeIdle).isPresent())
        .findFirst()
        .flatMap(ref ->
            powered().map(state -> new BuildEvent.Observed(state.id(), "idle:" + ref, false)));
  }

  private List<String> silent(Peripheral.Buttons keys) {
    return LightNumbers.of(facts(keys).getOrDefault("silent", "")).stream()
        .filter(number -> number <= keys.refs().size())
        .map(number -> keys.refs().get(number - 1))
        .toList();
  }

  /** Tells whether a peripheral is awake, or a gate is open. */
  boolean awake(String id) {
    return open.build().awake().contains(id)
        || open.build().gateOpen(id)
        || open.build().finished().over(open.kit().finishing()).contains(id);
  }

  /** Gives what is trimmed, calibrated and proved once all is awake. */
  Finish finish() {
    return new Finish(seat, open);
  }

  /** Tells whether every program is in that the kit has: one that tried a part is not the last. */
  boolean loaded() {
    return open.kit().firmware().images().stream()
        .allMatch(image -> open.build().loaded().containsKey(image.id()));
  }

  /**
   * Gives the state in which the chips are in and something feeds the board, its outputs released.
   */
  Optional<BoardState> powered() {
    return PoweredState.of(open);
  }

  /** Gives what was seen of a peripheral so far. */
  Map<String, String> facts(Peripheral peripheral) {
    return open.build().facts(peripheral.id());
  }

  /** Gives the event that such facts were seen. */
  BuildEvent saw(Peripheral peripheral, Map<String, String> facts, boolean practice) {
    return new BuildEvent.Saw(peripheral.id(), facts, practice);
  }

  /** Tells whether something answers that can be asked: the practice board, or one on a line. */
  boolean hasBoard() {
    return open.practiceOn() || line.port().isPresent() && target().isPresent();
  }

  private Optional<Firmware.Target> target() {
    return open.kit().firmware().targets().stream().findFirst();
  }

  /**
   * Starts the program on the board that answers, sends the requests, and then looks at it; all on
   * the thread of the line.
   *
   * @param dwellMs how long each request stands on a real board before the next
   * @param look what the simulated board then shows; a real one is looked at by whoever sits there
   */
  <T> Errand<Answer<T>> ask(
      List<String> requests, int dwellMs, Supplier<Answer<T>> look, Consumer<Answer<T>> then) {
    Optional<Firmware.Target> target = target();
    if (target.isEmpty()) {
      return open.works().start(calledOff -> look.get(), then);
    }
    String port = line.port().orElse("");
    if (!open.practiceOn() && !port.isEmpty()) {
      Job<String> sending = line.sending(target.get(), requests, dwellMs);
      return open.works()
          .talk(
              port,
              calledOff -> {
                String trouble = sending.work(calledOff);
                return trouble.isEmpty() ? look.get() : new Answer.Trouble<>(trouble);
              },
              then);
    }
    Build asOf = open.build();
    List<String> all = new ArrayList<>(List.of("start"));
    all.addAll(requests);
    return open.works()
        .talk(
            target.get().id(),
            calledOff -> {
              String trouble = sent(open.link(target.get(), asOf), all);
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
    if (hasProgram()) {
      nodes.add(
          new TreeMat.Node(
              "program",
              seat.say("wake.node.program"),
              List.of("power"),
              loaded() ? "done" : "todo"));
    }
    String now = current().map(Peripheral::id).orElse("");
    for (Peripheral peripheral : open.kit().peripherals()) {
      nodes.add(node(peripheral, peripheral.id().equals(now)));
    }
    return new TreeMat(seat.say("wake.mat"), nodes, picture);
  }

  private boolean hasProgram() {
    return !open.kit().firmware().images().isEmpty();
  }

  private TreeMat.Node node(Peripheral peripheral, boolean now) {
    List<String> after =
        peripheral.after().stream()
            .filter(id -> open.kit().peripherals().stream().anyMatch(p -> p.id().equals(id)))
            .toList();
    return new TreeMat.Node(
        peripheral.id(),
        new TestWords(seat, peripheral).title(),
        after.isEmpty() ? List.of(hasProgram() ? "program" : "power") : after,
        awake(peripheral.id())
            ? "done"
            : now ? "now" : ails(peripheral).isEmpty() ? "todo" : "ailing");
  }
}
