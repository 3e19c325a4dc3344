package humble.core.casing;

import humble.core.kit.Board;
import humble.core.kit.Parts;
import humble.core.kit.Side;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Holds the parts of every two boards that face each other in a stack against each other. */
final class FacingBoards {
  private static final double ROUNDING_MM = 1e-9;

  private final Parts parts;
  private final Stack stack;
  private final Set<String> out;
  private final List<Facing> nearest = new ArrayList<>();
  private final List<Tails> cuts = new ArrayList<>();
  private final List<Phrase> unsaid = new ArrayList<>();

  FacingBoards(Parts parts, Stack stack, Set<String> out) {
    this.parts = parts;
    this.stack = stack;
    this.out = out;
    for (Stack.Gap gap : stack.gaps()) {
      Optional<Board> front = parts.kit().board(gap.front().id());
      Optional<Board> back = parts.kit().board(gap.back().id());
      if (front.isPresent() && back.isPresent()) {
        look(gap, front.get(), back.get());
      }
    }
  }

  /** Gives for every part that has something before it what comes nearest. */
  List<Facing> nearest() {
    return nearest;
  }

  /** Gives the leads that have room when they are cut shorter than they usually are. */
  List<Tails> cuts() {
    return cuts;
  }

  /** Gives what would have to be known. */
  List<Phrase> unsaid() {
    return unsaid;
  }

  private void look(Stack.Gap gap, Board front, Board back) {
    if (!gap.isSaid()) {
      unsaid.add(
          Phrase.of("case.unsaid.apart", gap.front().layer().title(), gap.back().layer().title()));
      return;
    }
    Side down = stack.face(front.id()).other();
    List<Body> above = Body.of(parts, stack, front, down, out);
    List<Body> below = Body.of(parts, stack, back, stack.face(back.id()), out);
    double room = gap.apartMm().low();
    if (stack.isAligned(front, back)) {
      for (Body body : above) {
        below.stream()
            .filter(body::meets)
            .max(Comparator.comparingDouble(other -> other.reachMm() + free(body, other)))
            .ifPresent(other -> nearest.add(facing(body, other, front, back, room)));
      }
      return;
    }
    double most = most(above) + most(below) + Tails.FREE_MM;
    if (most > room + ROUNDING_MM) {
      unsaid.add(
          Phrase.of(
              "case.unsaid.lies",
              gap.front().layer().title(),
              gap.back().layer().title(),
              most,
              room));
    }
  }

  private static double most(List<Body> bodies) {
    return bodies.stream().mapToDouble(Body::reachMm).max().orElse(0);
  }

  /** A lead is metal: what it must not touch it must not touch by a margin. */
  private static double free(Body body, Body other) {
    return body.tails() || other.tails() ? Tails.FREE_MM : 0;
  }

  private Facing facing(Body body, Body other, Board front, Board back, double room) {
    double needs = body.reachMm() + other.reachMm() + free(body, other);
    if (needs > room + ROUNDING_MM && body.tails() != other.tails()) {
      Body lead = body.tails() ? body : other;
      Body against = body.tails() ? other : body;
      Tails cut =
          Tails.of(
              parts.get(lead.ref()),
              (body.tails() ? front : back).thicknessMm(),
              room - against.reachMm(),
              against.ref(),
              against.ref());
      if (cut.ok()) {
        cuts.add(cut);
        needs = against.reachMm() + cut.cutToMm() + Tails.FREE_MM;
      }
    }
    return new Facing(
        body.ref(),
        body.tails(),
        other.ref(),
        other.tails(),
        room,
        needs,
        needs <= room + ROUNDING_MM);
  }
}
