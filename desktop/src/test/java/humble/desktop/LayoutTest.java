package humble.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Nothing is cut and the large button is in the window, at every step of the walk. */
class LayoutTest {
  @TempDir Path home;

  @ParameterizedTest
  @CsvSource({"1280,800", "1024,700"})
  void everyStepHasItsButtonInSightAndNoCutText(double width, double height) throws Exception {
    try (BenchInTest bench =
        BenchInTest.open(home, List.of(BenchInTest.glowmoth()), width, height)) {
      List<String> wrong = new ArrayList<>();
      while (!bench.over()) {
        String before = bench.card().title();
        bench.walkUntil(() -> bench.over() || !bench.card().title().equals(before));
        wrong.addAll(BenchInTest.on(() -> check(bench, width, height)));
      }
      assertThat(wrong).isEmpty();
    }
  }

  private static List<String> check(BenchInTest bench, double width, double height) {
    Parent root = bench.stage().getScene().getRoot();
    root.applyCss();
    root.layout();
    List<String> wrong = new ArrayList<>();
    String where = bench.window().stage() + " / " + bench.window().card().title() + ": ";
    Node go = root.lookup("#go");
    Bounds bounds = go.localToScene(go.getLayoutBounds());
    if (bounds.getMaxY() > height - 108 || bounds.getMaxX() > width || bounds.getHeight() > 110) {
      wrong.add(where + "the button lies at " + bounds);
    }
    collect(root, where, wrong);
    return wrong;
  }

  private static void collect(Node node, String where, List<String> wrong) {
    if (!node.isVisible()) {
      return;
    }
    if (node instanceof Labeled labeled && !labeled.getText().isEmpty()) {
      for (Node child : labeled.getChildrenUnmodifiable()) {
        if (child instanceof Text text
            && !text.getText().replace("\n", " ").equals(labeled.getText().replace("\n", " "))) {
          wrong.add(where + "'" + labeled.getText() + "' is cut to '" + text.getText() + "'");
        }
      }
    }
    if (node instanceof Label label && label.getStyleClass().contains("now")) {
      double size = label.getFont().getSize();
      if (size < 28) {
        wrong.add(where + "the line of the moment has only " + size + " px");
      }
    }
    if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(child -> collect(child, where, wrong));
    }
  }

  @ParameterizedTest
  @CsvSource({"1024,700"})
  void whatDoesNotFitIsFoldedUnderAKey(double width, double height) throws Exception {
    try (BenchInTest bench =
        BenchInTest.open(home, List.of(BenchInTest.glowmoth()), width, height)) {
      bench.walkUntil(() -> bench.card().title().startsWith("Fit DISP1"));
      int folded = BenchInTest.on(() -> small(bench));
      assertThat(folded).as("labels of reasons").isZero();
      bench.type("h");
      assertThat(BenchInTest.on(() -> small(bench))).isPositive();
      bench.type("h");
      assertThat(BenchInTest.on(() -> small(bench))).isZero();
      bench.press(KeyCode.F10);
      assertThat(BenchInTest.on(() -> small(bench))).isNotNegative();
    }
  }

  private static int small(BenchInTest bench) {
    return (int)
        bench.stage().getScene().getRoot().lookupAll(".small").stream()
            .filter(label -> label.isVisible() && label.getParent().isVisible())
            .count();
  }
}
