package humble.core.route;

import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.Task;
import humble.core.kit.TaskKind;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Makes the steps of an order: with the turns of the board, with the cells and mates that are put
 * in for something and taken out again, and with where the board was powered just before.
 */
final class StepList {
  private final Work work;
  private final Kit kit;
  private final List<Node> order;
  private final Reasons reasons;
  private final List<Step> steps = new ArrayList<>();
  private final Set<Node> inserted = new LinkedHashSet<>();
  private final Set<Node> forGood = new HashSet<>();
  private @Nullable Node lastFit;
  private boolean powered;

  StepList(Work work, Kit kit, List<Node> order, Reasons reasons) {
    this.work = work;
    this.kit = kit;
    this.order = order;
    this.reasons = reasons;
    for (int i = 0; i < order.size(); i++) {
      add(i);
    }
  }

  List<Step> steps() {
    return steps;
  }

  private void add(int at) {
    Node node = order.get(at);
    List<Node> guests = work.guestsOf(node);
    for (Node guest : List.copyOf(inserted)) {
      if (!guests.contains(guest) && !forGood.contains(guest)) {
        takeOut(guest, node);
      }
    }
    for (Node guest : guests) {
      if (!inserted.contains(guest) && !forGood.contains(guest)) {
        putIn(guest, at);
      }
    }
    if (forGood.contains(node)) {
      return;
    }
    if (node.act() == Step.Act.INSERT) {
      forGood.add(node);
    }
    if (node.isFit() && lastFit != null && lastFit.face() != node.face()) {
      turn(lastFit, node);
    }
    step(node.act(), node, node.id(), node.minutes(), reasons.of(at));
    lastFit = node.isFit() ? node : lastFit;
    powered = isPowered(node) || powered && node.act() == Step.Act.CHOOSE;
  }

  /**
   * A cell whose own place in the order comes with nothing but gates between goes in for good here.
   */
  private void putIn(Node guest, int at) {
    int end = order.indexOf(guest);
    boolean stays =
        guest.isCell()
            && end > at
            && order.subList(at, end).stream()
                .allMatch(
                    each -> each.act() == Step.Act.GATE && work.guestsOf(each).contains(guest));
    if (stays) {
      forGood.add(guest);
      step(Step.Act.INSERT, guest, guest.id(), guest.minutes(), reasons.of(end));
      return;
    }
    inserted.add(guest);
    Node host = order.get(at);
    Phrase why =
        host.act() == Step.Act.GATE
            ? Phrase.of("route.cell-in", kit.titleOf(host.id()), guest.name())
            : Phrase.of("route.mate-on", guest.name(), SheetOrder.name(kit, host));
    step(Step.Act.INSERT, guest, guest.id() + "@" + host.id(), guest.minutes(), List.of(why));
  }

  private void takeOut(Node guest, Node next) {
    inserted.remove(guest);
    // Its own place in the order is now: it stays where it is.
    if (guest == next) {
      forGood.add(guest);
      return;
    }
    Phrase why =
        guest.isCell()
            ? Phrase.of("route.cell-out", guest.name())
            : Phrase.of("route.mate-off", guest.name());
    String id = "remove:" + guest.name() + "@" + next.id();
    step(Step.Act.REMOVE, guest, id, guest.minutes() / 2, List.of(why));
  }

  private void turn(Node last, Node node) {
    Phrase because =
        last.board().equals(node.board())
            ? Phrase.of("route.turn", node.name())
            : Phrase.of("route.take-up", node.name(), node.board());
    steps.add(
        new Step(
            steps.size() + 1,
            Step.Act.TURN,
            List.of(),
            "",
            0,
            "turn:" + (steps.size() + 1),
            node.board(),
            node.side(),
            0,
            Minutes.TURN,
            0,
            0,
            List.of(because),
            powered));
    powered = false;
  }

  private void step(Step.Act act, Node node, String id, double minutes, List<Phrase> because) {
    Line line = node.line();
    steps.add(
        new Step(
            steps.size() + 1,
            act,
            node.refs(),
            line == null ? "" : line.id(),
            line == null ? node.refs().size() : line.supplied(),
            id,
            node.board(),
            node.side(),
            node.heightMm(),
            minutes,
            node.unattended(),
            node.joints(),
            because,
            powered && act != Step.Act.CHOOSE));
    powered = powered && act == Step.Act.CHOOSE;
  }

  /** A program is loaded and a test is made on a powered board, as volts and amperes are read. */
  private boolean isPowered(Node node) {
    return switch (node.act()) {
      case GATE -> kit.gate(node.id()).map(Gate::measure).map(m -> m.isPowered()).orElse(false);
      case TASK ->
          kit.task(node.id())
                  .map(Task::kind)
                  .map(kind -> kind == TaskKind.LOAD || kind == TaskKind.TEST)
                  .orElse(false)
              // A chip that is not on the board yet is fed by itself.
              && kit.firmware().earlyImage(node.id()).isEmpty();
      case FIT, INSERT, REMOVE, TURN, CHOOSE -> false;
    };
  }
}
