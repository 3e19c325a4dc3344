package humble.desktop.window;

import humble.desktop.draw.Pen;
import humble.desktop.stage.Card;
import humble.desktop.stage.Standing;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Shows a card. Everything in it comes from the card; nothing is decided here. */
final class CardView extends VBox {
  private final Runnable go;

  CardView(Runnable go) {
    this.go = go;
    getStyleClass().add("card");
    setMinWidth(344);
    setPrefWidth(376);
    setMaxWidth(376);
  }

  void show(Card card) {
    getChildren().clear();
    getChildren().add(label(card.kicker(), "kicker"));
    getChildren().add(label(card.title(), "now"));
    card.how().forEach(line -> getChildren().add(label(line, "how")));
    card.field().ifPresent(field -> getChildren().add(field(field)));
    card.verdict().ifPresent(verdict -> getChildren().add(verdict(verdict)));
    card.caution().ifPresent(caution -> getChildren().add(caution(caution)));
    card.rows().forEach(row -> getChildren().add(row(row)));
    if (!card.why().isEmpty()) {
      getChildren().add(rule());
      card.why().forEach(line -> getChildren().add(label(line, "small")));
    }
    Region spring = new Region();
    VBox.setVgrow(spring, Priority.ALWAYS);
    getChildren().addAll(spring, goButton(card), hints(card));
    setAccessibleText(card.title() + ". " + String.join(" ", card.how()));
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
    typed.setFont(Pen.mono(40));
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

  private static Node hints(Card card) {
    FlowPane flow = new FlowPane(10, 6);
    for (Card.Hint hint : card.hints()) {
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
