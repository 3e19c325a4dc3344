package humble.desktop.window;

import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/**
 * Shows a card. Everything in it comes from the card; nothing is decided here. Its nodes are made
 * once and filled again at every key: making and styling new ones would take longer than a frame.
 */
final class CardView extends VBox {
  private static final double GO_TEXT_PX = 208;

  private final String whyText;
  private final Consumer<Card.Key> press;
  private final Label kicker = label("kicker");
  private final Label title = label("now");
  private final Group<Label> hows = new Group<>(8, () -> label("how"));
  private final Label typed = new Label();
  private final Label unit = new Label();
  private final HBox field = field(typed, unit);
  private final Marked verdict = new Marked("verdict");
  private final Marked caution = new Marked("caution-text");
  private final Group<Marked> rows = new Group<>(6, () -> new Marked("row-text"));
  private final Region rule = new Region();
  private final Group<Label> whys = new Group<>(8, () -> label("small"));
  private final ScrollPane scroll;
  private final VBox body;
  private final VBox foot;
  private final Label goText = new Label();
  private final Button goButton = new Button();
  private final FlowPane hints = new FlowPane(10, 6);
  private @Nullable Card shown;
  private boolean whyOpen;

  /**
   * Makes an empty card.
   *
   * @param go what the large button does
   * @param press does what a key on the card says
   * @param whyText what the key says that unfolds the reasons
   */
  CardView(Runnable go, Consumer<Card.Key> press, String whyText) {
    this.press = press;
    this.whyText = whyText;
    rule.getStyleClass().add("rule");
    caution.getStyleClass().add("caution");
    verdict.label.setId("verdict");
    body = new VBox(12, kicker, title, hows, field, verdict, caution, rows, rule, whys);
    scroll = new ScrollPane(body);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFocusTraversable(false);
    scroll.getStyleClass().add("card-body");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    foot = new VBox(12, goButton(go), hints);
    getChildren().addAll(scroll, foot);
    getStyleClass().add("card");
    setMinWidth(344);
    setPrefWidth(376);
    setMaxWidth(376);
    heightProperty().addListener((height, before, now) -> refill());
  }

  /** So many nodes of one kind, one below the other; as many are shown as are asked for. */
  private static final class Group<N extends Node> extends VBox {
    private final Supplier<N> make;
    private final List<N> nodes = new ArrayList<>();

    Group(double spacing, Supplier<N> make) {
      super(spacing);
      this.make = make;
    }

    N get(int index) {
      while (nodes.size() <= index) {
        N made = make.get();
        nodes.add(made);
        getChildren().add(made);
      }
      N node = nodes.get(index);
      show(node, true);
      return node;
    }

    void only(int count) {
      for (int i = count; i < nodes.size(); i++) {
        show(nodes.get(i), false);
      }
      show(this, count > 0);
    }
  }

  /** A line with a shape before it that says what colour alone may not. */
  private static final class Marked extends HBox {
    private final StackPane shape = new StackPane();
    private final Label label;
    private String marked = "";

    Marked(String style) {
      super(10);
      label = label(style);
      HBox.setHgrow(label, Priority.ALWAYS);
      shape.setMinWidth(Region.USE_PREF_SIZE);
      setAlignment(Pos.TOP_LEFT);
      setMinHeight(Region.USE_PREF_SIZE);
      getChildren().addAll(shape, label);
    }

    void mark(String name, Supplier<Node> drawn) {
      if (!marked.equals(name)) {
        marked = name;
        shape.getChildren().setAll(drawn.get());
      }
    }
  }

  /** A key and what it does. */
  private final class Hint extends Button {
    private final Label key = new Label();

    Hint() {
      key.getStyleClass().add("key");
      setGraphic(key);
      getStyleClass().add("hint");
      setFocusTraversable(false);
      setOnMouseEntered(event -> describe());
    }

    void fill(Card.Key said) {
      key.setText(said.cap());
      setText(said.text());
      setOnAction(event -> press.accept(said));
    }

    /** Made when it is wanted. */
    private void describe() {
      String text = getText() + " (" + key.getText() + ")";
      if (getTooltip() == null) {
        setTooltip(new Tooltip(text));
      } else {
        getTooltip().setText(text);
      }
    }
  }

  private static void show(Node node, boolean visible) {
    node.setVisible(visible);
    node.setManaged(visible);
  }

  private static Label label(String style) {
    Label label = new Label();
    label.getStyleClass().add(style);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  private static HBox field(Label typed, Label unit) {
    typed.getStyleClass().add("typed");
    typed.setId("typed");
    unit.getStyleClass().add("unit");
    unit.setMinWidth(Region.USE_PREF_SIZE);
    Region spring = new Region();
    HBox.setHgrow(spring, Priority.ALWAYS);
    HBox box = new HBox(typed, spring, unit);
    box.getStyleClass().add("field");
    return box;
  }

  private Node goButton(Runnable go) {
    goText.setWrapText(true);
    goText.setMinWidth(GO_TEXT_PX);
    goText.setPrefWidth(GO_TEXT_PX);
    goText.getStyleClass().add("go-text");
    Label key = new Label("Enter");
    key.getStyleClass().add("key");
    key.setMinWidth(Region.USE_PREF_SIZE);
    Region spring = new Region();
    HBox.setHgrow(spring, Priority.ALWAYS);
    HBox content = new HBox(10, goText, spring, key);
    content.setAlignment(Pos.CENTER);
    content.setPrefWidth(300);
    goButton.setGraphic(content);
    goButton.getStyleClass().add("go");
    goButton.setId("go");
    goButton.setMaxWidth(Double.MAX_VALUE);
    goButton.setMaxHeight(Region.USE_PREF_SIZE);
    goButton.setFocusTraversable(false);
    goButton.setOnAction(event -> go.run());
    return new StackPane(goButton);
  }

  void show(Card card) {
    Card before = shown;
    if (before == null || !before.title().equals(card.title())) {
      whyOpen = false;
      scroll.setVvalue(0);
    }
    shown = card;
    refill();
    setAccessibleText(card.title() + ". " + String.join(" ", card.how()));
  }

  /** Unfolds what did not fit, or folds it again. */
  void toggleWhy() {
    whyOpen = !whyOpen;
    refill();
    if (whyOpen) {
      layout();
      scroll.setVvalue(1);
    }
  }

  /** Fills the card; the reasons fold away under a key when they do not fit. */
  private void refill() {
    Card card = shown;
    if (card == null) {
      return;
    }
    fill(card);
    fold(card, false);
    if (!card.why().isEmpty() && getHeight() > 0) {
      applyCss();
      double width = getWidth() - snappedLeftInset() - snappedRightInset();
      double needed = body.prefHeight(width) + foot.prefHeight(width) + getSpacing();
      if (needed > getHeight() - snappedTopInset() - snappedBottomInset()) {
        fold(card, true);
      }
    }
  }

  private void fill(Card card) {
    kicker.setText(card.kicker());
    title.setText(card.title());
    fill(hows, card.how());
    show(field, card.field().isPresent());
    card.field()
        .ifPresent(f -> {
          typed.setText(f.typed().isEmpty() ? "_" : f.typed());
          unit.setText(f.unit());
        });
    show(verdict, card.verdict().isPresent());
    card.verdict().ifPresent(this::fillVerdict);
    show(caution, card.caution().isPresent());
    card.caution().ifPresent(this::fillCaution);
    for (int i = 0; i < card.rows().size(); i++) {
      fillRow(rows.get(i), card.rows().get(i));
    }
    rows.only(card.rows().size());
    goText.setText(card.go());
    goButton.setDisable(!card.goEnabled());
    goButton.setAccessibleText(card.go());
  }

  private static void fill(Group<Label> group, List<String> lines) {
    for (int i = 0; i < lines.size(); i++) {
      group.get(i).setText(lines.get(i));
    }
    group.only(lines.size());
  }

  private void fillVerdict(Card.Verdict said) {
    verdict.mark(said.good() ? "good" : "bad", () -> Shapes.verdict(said.good()));
    verdict.label.setText(said.text());
    style(verdict.label, "good", said.good());
    style(verdict.label, "bad", !said.good());
  }

  private void fillCaution(Card.Warning warning) {
    caution.mark(warning.grave() ? "grave" : "care", () -> Shapes.caution(warning.grave()));
    caution.label.setText(warning.text());
    style(caution, "danger", warning.grave());
  }

  private static void fillRow(Marked row, Card.Row said) {
    row.mark(said.standing().name(), () -> Shapes.standing(said.standing()));
    row.label.setText(said.text());
    style(row.label, "row-now", said.standing() == Standing.NOW);
  }

  private static void style(Node node, String style, boolean wanted) {
    boolean has = node.getStyleClass().contains(style);
    if (wanted && !has) {
      node.getStyleClass().add(style);
    } else if (!wanted && has) {
      node.getStyleClass().remove(style);
    }
  }

  private void fold(Card card, boolean folded) {
    List<String> reasons = folded && !whyOpen ? List.of() : card.why();
    fill(whys, reasons);
    show(rule, !reasons.isEmpty());
    List<Card.Key> all = new ArrayList<>(card.hints());
    if (folded) {
      all.add(Card.Key.of('H', whyText, this::toggleWhy));
    }
    while (hints.getChildren().size() < all.size()) {
      hints.getChildren().add(new Hint());
    }
    for (int i = 0; i < hints.getChildren().size(); i++) {
      Node node = hints.getChildren().get(i);
      show(node, i < all.size());
      if (i < all.size() && node instanceof Hint hint) {
        hint.fill(all.get(i));
      }
    }
    show(hints, !all.isEmpty());
  }
}
