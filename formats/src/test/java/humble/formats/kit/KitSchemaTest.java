package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import humble.core.budget.Budget;
import humble.core.kit.PartKind;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** The published schema and the reader say the same. */
class KitSchemaTest {
  private static Schema schema() throws IOException {
    return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
        .getSchema(Files.readString(DemoKits.root().resolve("docs/kit.schema.json")));
  }

  private static List<String> errors(String json) throws IOException {
    return schema().validate(json, InputFormat.JSON).stream().map(Object::toString).toList();
  }

  static List<Path> kits() {
    return DemoKits.all();
  }

  @ParameterizedTest
  @MethodSource("kits")
  void everyDemoKitKeepsToTheSchema(Path kit) throws IOException {
    assertThat(errors(Files.readString(kit.resolve("kit.json")))).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"kind\": \"badge\"|\"kind\": \"boat\"",
        "\"width_mm\": 84|\"width_mm\": \"84\"",
        "\"kind\": \"resistor\"|\"kind\": \"restistor\"",
        "\"mount\": \"socketed\"|\"mount\": \"glued\"",
        "\"from\": \"0x0000\"|\"from\": \"zero\""
      })
  void whatTheReaderRefusesTheSchemaRefuses(String right, String wrong) throws IOException {
    String json = Files.readString(DemoKits.glowmoth().resolve("kit.json"));
    assertThat(json).contains(right);
    String broken = json.replace(right, wrong);
    assertThat(errors(broken)).isNotEmpty();
    assertThat(
            KitFolder.at(DemoKits.glowmoth())
                .parse(
                    broken.getBytes(java.nio.charset.StandardCharsets.UTF_8), Budget.unlimited()))
        .isInstanceOf(KitRead.Refused.class);
  }

  @Test
  void theSchemaKnowsEveryPartKind() throws IOException {
    for (PartKind kind : PartKind.values()) {
      assertThat(
              errors(
                  "{\"format\":\"humble-kit/1\",\"id\":\"x\",\"name\":\"x\",\"lines\":[{\"id\":\"a\",\"kind\":\""
                      + kind.text()
                      + "\",\"package\":\"disc-5\"}]}"))
          .as(kind.text())
          .isEmpty();
    }
  }

  /** The smallest kit of the documentation opens as it stands there. */
  @Test
  void theSmallestKitOfTheDocumentationIsOne() throws IOException {
    String page = Files.readString(DemoKits.root().resolve("docs/kit-format.md"));
    int from = page.indexOf("```json") + 7;
    String json = page.substring(from, page.indexOf("```", from));
    assertThat(errors(json)).isEmpty();
    assertThat(
            KitFolder.at(DemoKits.glowmoth())
                .parse(json.getBytes(java.nio.charset.StandardCharsets.UTF_8), Budget.unlimited()))
        .isInstanceOfSatisfying(
            KitRead.Opened.class, opened -> assertThat(opened.findings()).isEmpty());
  }
}
