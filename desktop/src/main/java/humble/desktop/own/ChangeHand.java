package humble.desktop.own;

import humble.core.build.KitChange;
import humble.desktop.draw.Mat;
import humble.desktop.hand.Hand;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Takes;
import humble.formats.kit.EditWriter;
import humble.formats.kit.KitShape;
import humble.formats.kit.KitTree;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Changes anything that the kit says, one thing at a time: from its sections down to a single word
 * or number. What cannot stand yet, such as a new gate without a state, is held until it can.
 */
final class ChangeHand extends Hand {
  private static final int SHOWN = 8;

  private final OwnBench bench;
  private final List<String> way = new ArrayList<>();

  /** Changes that the check does not pass yet; they are written together as soon as it does. */
  private final List<KitChange> held = new ArrayList<>();

  private int from;
  private int choice;
  private boolean naming;
  private boolean over;
  private String against = "";

  ChangeHand(OwnBench bench, List<String> start) {
    super(bench.seat());
    this.bench = bench;
    this.way.addAll(start);
  }

  @Override
  public boolean over() {
    return over;
  }

  private Optional<KitTree> tree() {
    try {
      // What the board files gave is there to be changed too.
      List<KitChange> more =
          new ArrayList<>(EditWriter.writtenOut(bench.open().folder(), bench.kit()));
      more.addAll(held);
      return Optional.of(KitTree.of(bench.open().folder(), more));
    } catch (IOException e) {
      against = String.valueOf(e.getMessage());
      return Optional.empty();
    }
  }

  private String where(KitTree tree) {
    List<String> names = new ArrayList<>();
    for (int i = 1; i <= way.size(); i++) {
      List<String> to = way.subList(0, i);
      boolean entry = i > 1 && tree.shape(to.subList(0, i - 1)).kind() == KitShape.Kind.LIST;
      names.add(entry ? tree.shown(to) : KitTree.spoken(way.get(i - 1)));
    }
    return String.join(" · ", names);
  }

  @Override
  public Card card() {
    KitTree tree = tree().orElse(null);
    if (tree == null) {
      return seat.card(say("own.change.kicker"), say("own.change.unread"))
          .verdict(false, against)
          .go(say("own.join.leave"), () -> over = true);
    }
    KitShape shape = tree.shape(way);
    return naming
        ? named(tree)
        : switch (shape.kind()) {
          case OBJECT -> below(tree);
          case LIST -> isLeaf(shape) ? leaf(tree, shape) : below(tree);
          case TEXT, NUMBER -> leaf(tree, shape);
          case FLAG -> picked(tree, List.of("yes", "no"));
          case CHOICE -> picked(tree, shape.choices());
        };
  }

  /** A list of words or numbers is typed in one line; so are pairs of them. */
  private static boolean isLeaf(KitShape shape) {
    KitShape.Kind entry = shape.entry().kind();
    return entry != KitShape.Kind.OBJECT
        && (entry != KitShape.Kind.LIST || shape.entry().entry().kind() != KitShape.Kind.OBJECT);
  }

  private Card.Maker begun(KitTree tree, String title) {
    Card.Maker card = seat.card(way.isEmpty() ? say("own.change.kicker") : where(tree), title);
    if (!against.isEmpty()) {
      card.verdict(false, against);
    }
    if (!held.isEmpty()) {
      card.how(say("own.change.held", held.size()));
    }
    card.key('.', say("own.join.leave"), this::leave);
    card.key(Card.BACK, say(way.isEmpty() ? "own.keep.back" : "own.change.up"), this::up);
    return card;
  }

  /** What could not stand is let go with it, and said. */
  private void leave() {
    if (!held.isEmpty()) {
      bench.trouble(say("own.change.dropped", held.size()));
    }
    over = true;
  }

  private void up() {
    typed().clear();
    from = 0;
    choice = 0;
    if (naming) {
      naming = false;
    } else if (way.isEmpty()) {
      over = true;
    } else {
      way.removeLast();
      if (way.isEmpty() && !held.isEmpty()) {
        // What could not stand by the end of its section is let go, and said.
        against = say("own.change.dropped", held.size());
        held.clear();
      }
    }
  }

  private Card below(KitTree tree) {
    List<KitTree.Item> items = tree.below(way);
    KitShape shape = tree.shape(way);
    Card.Maker card =
        begun(
            tree,
            way.isEmpty()
                ? say("own.change.title")
                : say("own.change.which", KitTree.spoken(last(tree))));
    int to = Math.min(items.size(), from + SHOWN);
    for (int i = from; i < to; i++) {
      KitTree.Item item = items.get(i);
      boolean entry = shape.kind() == KitShape.Kind.LIST;
      String name = entry ? item.shown() : KitTree.spoken(item.step());
      card.choice(
          i - from + 1,
          item.said() ? Standing.DONE : Standing.TO_DO,
          say(
              entry || item.shown().isEmpty() ? "own.choice" : "own.change.item",
              i - from + 1,
              name,
              item.shown()),
          () -> into(item.step()));
    }
    if (items.size() > SHOWN) {
      card.key('+', say("own.change.more", items.size()), () -> from = next(items.size()));
    }
    if (shape.kind() == KitShape.Kind.LIST || shape.takesNames()) {
      card.row(Standing.NOW, say("own.choice", 0, say("own.change.new")));
      card.silent('0', () -> naming = true);
    }
    if (way.size() > 1 && tree.isSaid(way)) {
      card.key('9', say("own.change.remove"), () -> changed(tree.removed(way), true));
    }
    return card.notYet(say("own.choice.go"));
  }

  private String last(KitTree tree) {
    boolean entry =
        way.size() > 1 && tree.shape(way.subList(0, way.size() - 1)).kind() == KitShape.Kind.LIST;
    return entry ? tree.shown(way) : way.getLast();
  }

  private int next(int size) {
    return from + SHOWN >= size ? 0 : from + SHOWN;
  }

  private void into(String step) {
    against = "";
    way.add(step);
    from = 0;
    choice = 0;
    typed().clear();
  }

  private Card named(KitTree tree) {
    Card.Maker card = begun(tree, say("own.change.name"));
    card.how(say("own.change.name.how"));
    card.field(typed().text(), "", Takes.TEXT);
    return typed().isEmpty()
        ? card.notYet(say("own.change.type"))
        : card.go(say("own.change.go", typed().text()), () -> add(tree));
  }

  private void add(KitTree tree) {
    String name = typed().text().strip();
    int at = tree.below(way).size();
    boolean list = tree.shape(way).kind() == KitShape.Kind.LIST;
    naming = false;
    changed(tree.added(way, name), false);
    into(list ? String.valueOf(at) : name);
    against = "";
  }

  private Card leaf(KitTree tree, KitShape shape) {
    Card.Maker card = begun(tree, say("own.change.what", KitTree.spoken(way.getLast())));
    String now = tree.shown(way);
    card.how(now.isEmpty() ? say("own.change.unsaid") : say("own.change.now", now));
    card.how(say("own.change.how." + shape.kind().name().toLowerCase(java.util.Locale.ROOT)));
    card.field(
        typed().text(), "", shape.kind() == KitShape.Kind.NUMBER ? Takes.SIGNED : Takes.TEXT);
    if (tree.isSaid(way)) {
      card.key('/', say("own.change.unsay"), () -> changed(tree.removed(way), true));
    }
    Optional<KitChange> set =
        typed().isEmpty() ? Optional.empty() : tree.set(way, typed().text().strip());
    return set.isPresent()
        ? card.go(say("own.change.go", typed().text()), () -> changed(set.get(), true))
        : card.notYet(say("own.change.type"));
  }

  private Card picked(KitTree tree, List<String> words) {
    Card.Maker card = begun(tree, say("own.change.what", KitTree.spoken(way.getLast())));
    String now = tree.shown(way);
    card.how(now.isEmpty() ? say("own.change.unsaid") : say("own.change.now", now));
    String lit = words.get(choice % words.size());
    for (int i = 0; i < Math.min(words.size(), SHOWN); i++) {
      String word = words.get((choice + i) % words.size());
      card.row(word.equals(lit) ? Standing.NOW : Standing.TO_DO, word);
    }
    card.key('+', say("own.change.other"), () -> choice++);
    if (tree.isSaid(way)) {
      card.key('/', say("own.change.unsay"), () -> changed(tree.removed(way), true));
    }
    return card.go(
        say("own.change.go", lit), () -> tree.set(way, lit).ifPresent(c -> changed(c, true)));
  }

  /** Writes what is held as soon as the check takes it; the way leads up again where it does. */
  private void changed(KitChange change, boolean up) {
    held.add(change);
    List<String> problems =
        bench.session().change("change:" + change.section() + ":" + change.id(), said(), held);
    if (problems.isEmpty()) {
      held.clear();
      against = "";
    } else {
      against = problems.getFirst();
    }
    typed().clear();
    if (up && !way.isEmpty()) {
      way.removeLast();
      from = 0;
      choice = 0;
    }
  }

  private String said() {
    return typed().isEmpty() ? String.join("/", way) : typed().text();
  }

  @Override
  public Mat mat() {
    if (bench.kit().boards().isEmpty()) {
      return new BoardHand(bench, () -> {}, () -> {}).mat();
    }
    Set<String> lit =
        tree()
            .map(tree -> way.size() > 1 ? tree.shown(way.subList(0, 2)) : "")
            .filter(ref -> bench.parts().part(ref).isPresent())
            .map(Set::of)
            .orElse(Set.of());
    return bench.mat(say("own.change.mat"), List.of(), List.of(), lit, OwnMat.Answers.PARTS);
  }

  @Override
  public void pick(String spot) {
    if (way.isEmpty() && spot.contains(":")) {
      String ref = spot.substring(spot.indexOf(':') + 1).replaceAll("\\.[^.]*$", "");
      tree()
          .ifPresent(tree -> {
            List<KitTree.Item> places = tree.below(List.of("places"));
            places.stream()
                .filter(item -> item.shown().equals(ref))
                .findFirst()
                .ifPresent(item -> {
                  into("places");
                  into(item.step());
                });
          });
    }
  }
}
