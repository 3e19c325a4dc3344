package humble.desktop.window;

import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
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

/** Shows a card. Everything in it comes from the card; nothing is decided here. */
final class CardView extends VBox {
  private static final double GO_TEXT_PX = 216;

  private final Runnable go;
  private final VBox body = new VBox(12);
  private final ScrollPane scroll = new ScrollPane(body);
  private final VBox foot = new VBox(12);
  private @Nullable Card shown;
  private boolean whyOpen;
  private final String whyText;

  /**
   * Makes an empty card.
   *
   * @param go what the large button does
   * @param whyText what the key says that unfolds the reasons
   */
  CardView(Runnable go, String whyText) {
    this.go = go;
    this.whyText = whyText;
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFocusTraversable(false);
    scroll.getStyleClass().add("card-body");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(scroll, foot);
    heightProperty().addListener((height, before, now) -> refill());
    getStyleClass().add("card");
    setMinWidth(344);
    setPrefWidth(376);
    setMaxWidth(376);
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
    fill(card, false);
    if (!card.why().isEmpty() && getHeight() > 0) {
      applyCss();
      double width = getWidth() - snappedLeftInset() - snappedRightInset();
      double needed = body.prefHeight(width) + foot.prefHeight(width) + getSpacing();
      if (needed > getHeight() - snappedTopInset() - snappedBottomInset()) {
        fill(card, true);
      }
    }
  }

  private void fill(Card card, boolean folded) {
    List<Node> nodes = new ArrayList<>();
    nodes.add(label(card.kicker(), "kicker"));
    nodes.add(label(card.title(), "now"));
    card.how().forEach(line -> nodes.add(label(line, "how")));
    card.field().ifPresent(field -> nodes.add(field(field)));
    card.verdict().ifPresent(verdict -> nodes.add(verdict(verdict)));
    card.caution().ifPresent(caution -> nodes.add(caution(caution)));
    card.rows().forEach(row -> nodes.add(row(row)));
    if (!card.why().isEmpty() && (!folded || whyOpen)) {
      nodes.add(rule());
      card.why().forEach(line -> nodes.add(label(line, "small")));
    }
    body.getChildren().setAll(nodes);
    foot.getChildren().setAll(goButton(card), hints(card, folded));
  }

  private static Label label(String text, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  private static Node field(Card.Field field) {
    Label typed = new Label(field.typed().isEmpty() ? "_" : field.typed());
    typed.getStyleClass().add("typed");
    typed.setId("typed");
    Label unit = new Label(field.unit());
    unit.getStyleClass().add("unit");
    Region spring = new Region();
    HBox.setHgrow(spring, Priority.ALWAYS);
    unit.setMinWidth(Region.USE_PREF_SIZE);
    HBox box = new HBox(typed, spring, unit);
    box.getStyleClass().add("field");
    return box;
  }

  private static Node verdict(Card.Verdict verdict) {
    Label label = label(verdict.text(), "verdict");
    label.setId("verdict");
    label.getStyleClass().add(verdict.good() ? "good" : "bad");
    HBox.setHgrow(label, Priority.ALWAYS);
    HBox box = new HBox(10, Shapes.verdict(verdict.good()), label);
    box.setMinHeight(Region.USE_PREF_SIZE);
    return box;
  }

  private static Node caution(Card.Warning caution) {
    Label label = label(caution.text(), "caution-text");
    HBox.setHgrow(label, Priority.ALWAYS);
    HBox box = new HBox(Shapes.caution(caution.grave()), label);
    box.getStyleClass().add("caution");
    if (caution.grave()) {
      box.getStyleClass().add("danger");
    }
    box.setMinHeight(Region.USE_PREF_SIZE);
    return box;
  }

  private static Node row(Card.Row row) {
    Label label = label(row.text(), "row-text");
    if (row.standing() == Standing.NOW) {
      label.getStyleClass().add("row-now");
    }
    HBox.setHgrow(label, Priority.ALWAYS);
    HBox box = new HBox(10, Shapes.standing(row.standing()), label);
    box.setAlignment(Pos.TOP_LEFT);
    box.setMinHeight(Region.USE_PREF_SIZE);
    return box;
  }

  private static Node rule() {
    Region rule = new Region();
    rule.getStyleClass().add("rule");
    return rule;
  }

  private Node goButton(Card card) {
    Label text = new Label(card.go());
    text.setWrapText(true);
    text.setMinWidth(GO_TEXT_PX);
    text.setPrefWidth(GO_TEXT_PX);
    text.setStyle("-fx-text-fill: " + (card.goEnabled() ? "-hc-on-mask" : "-hc-ink") + ";");
    Label key = new Label("Enter");
    key.getStyleClass().add("key");
    key.setMinWidth(Region.USE_PREF_SIZE);
    Region spring = new Region();
    HBox.setHgrow(spring, Priority.ALWAYS);
    HBox content = new HBox(10, text, spring, key);
    content.setAlignment(Pos.CENTER);
    Button button = new Button();
    button.setGraphic(content);
    button.getStyleClass().add("go");
    button.setId("go");
    button.setMaxWidth(Double.MAX_VALUE);
    button.setMaxHeight(Region.USE_PREF_SIZE);
    content.setPrefWidth(300);
    button.setDisable(!card.goEnabled());
    button.setFocusTraversable(false);
    button.setAccessibleText(card.go());
    button.setOnAction(event -> go.run());
    return new StackPane(button);
  }

  private Node hints(Card card, boolean folded) {
    FlowPane flow = new FlowPane(10, 6);
    List<Card.Hint> hints = new ArrayList<>(card.hints());
    if (folded) {
      hints.add(new Card.Hint("W", whyText, this::toggleWhy));
    }
    for (Card.Hint hint : hints) {
      Label key = new Label(hint.key());
      key.getStyleClass().add("key");
      Button button = new Button(hint.text(), key);
      button.getStyleClass().add("hint");
      button.setFocusTraversable(false);
      button.setTooltip(new Tooltip(hint.text() + " (" + hint.key() + ")"));
      button.setOnAction(event -> hint.act().run());
      flow.getChildren().add(button);
    }
    return flow;
  }
}
