package humble.desktop.power;

import humble.core.build.BuildEvent;
import humble.core.kit.Gate;
import humble.core.kit.Measured;
import humble.core.power.FirstPower;
import humble.core.route.Step;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** The lock flight as it stands. */
record Locks(Seat seat, OpenBuild open) {
  /** Gives the gate in hand: the first that is not open. */
  Optional<Gate> current() {
    return gates().stream().filter(gate -> !open.build().gateOpen(gate.id())).findFirst();
  }

  /** Gives the gates in the order of the plan; what it does not have comes last. */
  List<Gate> gates() {
    List<String> planned =
        open.plan().map(plan -> plan.steps().stream().map(Step::id).toList()).orElse(List.of());
    List<Gate> gates = new ArrayList<>(open.kit().gates());
    gates.sort(
        Comparator.comparingInt(
            gate -> planned.contains(gate.id()) ? planned.indexOf(gate.id()) : Integer.MAX_VALUE));
    return gates;
  }

  /** Tells whether what comes before a gate is fitted, or it was read before. */
  boolean ready(Gate gate) {
    return Progress.nextGate(open).filter(gate.id()::equals).isPresent()
        || open.build().gateReadings().containsKey(gate.id());
  }

  /** Gives the picture without a reading. */
  Mat mat() {
    return mat(OptionalDouble.empty(), Optional.empty());
  }

  /** Gives the picture with something else beside it than what the gate should read. */
  Mat beside(LockMat.Beside beside) {
    return mat(OptionalDouble.empty(), Optional.of(beside));
  }

  /** Gives the flight of the checks of a kit without gates: a chamber for each. */
  Mat checks(FirstPower.Check now) {
    List<LockMat.Lock> locks = new ArrayList<>();
    List<FirstPower.Check> all = open.firstPower();
    for (FirstPower.Check check : all) {
      String title = seat.say(check.title());
      Gate shown =
          new Gate(check.id(), title, Measured.CONTINUITY, List.of(), "", null, List.of(), "");
      locks.add(
          new LockMat.Lock(
              shown,
              seat.say("power.check.lock." + check.id()),
              open.build().checked().getOrDefault(check.id(), false),
              false,
              check.equals(now),
              Optional.empty(),
              OptionalDouble.empty()));
    }
    return new LockMat(
        seat.say("power.check.mat"), locks, Optional.empty(), open.parts(), seat.words());
  }

  /** Gives the picture with the reading of the gate in hand, or of the current of a stage. */
  Mat mat(OptionalDouble reading, Optional<LockMat.Beside> beside) {
    List<LockMat.Lock> locks = new ArrayList<>();
    String now = current().map(Gate::id).orElse("");
    for (Gate gate : gates()) {
      boolean isNow = gate.id().equals(now);
      boolean passed = open.build().passedGates().containsKey(gate.id());
      BuildEvent.GateRead read = open.build().gateReadings().get(gate.id());
      OptionalDouble needle =
          isNow && reading.isPresent()
              ? reading
              : read == null ? OptionalDouble.empty() : OptionalDouble.of(read.value());
      String state = open.kit().state(gate.state()).map(s -> s.title()).orElse(gate.state());
      locks.add(
          new LockMat.Lock(
              gate,
              state,
              open.build().gateOpen(gate.id()),
              !passed && open.build().gateOpen(gate.id()),
              isNow,
              open.expectation(gate, isNow && ready(gate)).found(),
              needle));
    }
    return new LockMat(seat.say("power.mat"), locks, beside, open.parts(), seat.words());
  }
}
