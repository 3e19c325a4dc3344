package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class HostCommandTest {
  private static List<String> texts(JsonNode rows, String key) {
    List<String> texts = new ArrayList<>();
    rows.forEach(row -> texts.add(row.get(key).stringValue()));
    return texts;
  }

  @Test
  void theDemoConversionIsToldSpotBySpot() throws Exception {
    Ran ran = Ran.runJson("host", "../kits/weathercock");
    assertThat(ran.status()).isZero();
    JsonNode json = ran.json();
    assertThat(texts(json.get("spots"), "ref"))
        .containsExactlyInAnyOrder("C4", "RV7", "J7", "R14", "U7", "C9", "R15", "R16");
    assertThat(texts(json.get("holes"), "pin"))
        .containsExactly("C4.1", "C4.2", "C9.1", "C9.2", "R14.1", "R14.2");
    assertThat(texts(json.get("coat"), "what")).containsExactlyInAnyOrder("C4", "C9", "R14");
    assertThat(json.get("replacements").get(0).get("ref").stringValue()).isEqualTo("C4");
    assertThat(json.get("replacements").get(0).get("verdict").stringValue()).isEqualTo("fits");
  }

  @Test
  void aKitThatGoesIntoNoBoardIsBadInput() throws Exception {
    Ran ran = Ran.run("host", "../kits/glowmoth");
    assertThat(ran.status()).isEqualTo(2);
    assertThat(ran.err()).contains("goes into no board");
  }
}
