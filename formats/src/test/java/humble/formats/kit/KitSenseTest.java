package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.kit.Finding;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What makes no sense in a kit is refused with its place, not found out at first power. */
class KitSenseTest {
  private static final String GOOD =
      """
      {"format":"humble-kit/1","id":"pier","name":"Pier lamp","kind":"module",
       "boards":[{"id":"main","width_mm":60,"height_mm":40}],
       "lines":[
        {"id":"reg","kind":"regulator","value":"5","package":"half-round-3","refs":["U2"],
         "supplied":1,"polarity_marks":["flat"],
         "model":{"type":"regulator","vout_v":5,"dropout_v":1.2,"limit_ma":100,"iq_ma":1,
          "theta_ja_c_per_w":160,"in":"3","gnd":"2","out":"1"}},
        {"id":"chip","kind":"ic","value":"timer","package":"dip-8","refs":["U1"],"supplied":1,
         "model":{"type":"load","plus":"8","minus":"4","ma":3,"min_v":2}},
        {"id":"sock","kind":"socket","package":"socket-dip-8","refs":["SK1"],"supplied":1},
        {"id":"r","kind":"resistor","value":"1k","package":"axial-quarter-watt",
         "refs":["R1","R2"],"supplied":2},
        {"id":"sw","kind":"switch","package":"slide-3","refs":["S1"],"supplied":1}],
       "places":[
        {"ref":"U2","board":"main","x_mm":10,"y_mm":10},
        {"ref":"SK1","board":"main","x_mm":30,"y_mm":20},
        {"ref":"U1","board":"main","x_mm":30,"y_mm":20,"mount":"socketed"},
        {"ref":"R1","board":"main","x_mm":12,"y_mm":30},
        {"ref":"R2","board":"main","x_mm":45,"y_mm":30},
        {"ref":"S1","board":"main","x_mm":50,"y_mm":10}],
       "nets":{"IN":["U2.3"],"5V":["U2.1","U1.8","R1.1"],"GND":["U2.2","U1.4","R2.2"],
        "OUT":["U1.3","R1.2","R2.1"]},
       "supplies":[{"id":"pack","volts":9,"limit_ma":500,"plus":"IN","minus":"GND"}],
       "states":[{"id":"empty","supply":"pack","absent":["U1"],"closed":["S1"]}],
       "gates":[{"id":"g5","measure":"voltage","at":["U1.8","U1.4"],"state":"empty",
        "before":["U1"]}]}
      """;

  @TempDir Path folder;

  private KitRead read(String kit) throws IOException {
    Files.writeString(folder.resolve("kit.json"), kit);
    return KitFolder.at(folder).read();
  }

  @Test
  void theKitThatTheOthersAreMadeOfIsInOrder() throws IOException {
    assertThat(read(GOOD).findings()).filteredOn(Finding::isError).isEmpty();
  }

  @ParameterizedTest(name = "{2}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          "polarity_marks":["flat"] | "polarity_marks":["flat"],"unpolarised":true | /lines/0/polarity_marks | unpolarised
          "refs":["S1"] | "refs":["S1"],"clear_lens":true | /lines/4/clear_lens | Only an LED
          "refs":["R1","R2"] | "refs":["R1","R2"],"colour":"red" | /lines/3/colour | nothing asks for it
          "kind":"switch","package":"slide-3" | "kind":"led","package":"led-3","clear_lens":true | /lines/4/clear_lens | cannot be tried
          "refs":["S1"] | "refs":["S1"],"method":"paste" | /lines/4/method | leads through holes
          "refs":["S1"] | "refs":["S1"],"method":"glue" | /lines/4/method | glue
          "x_mm":12,"y_mm":30 | "x_mm":12,"y_mm":30,"pitch_mm":5,"max_height_mm":3 | /places/3/pitch_mm | in no way
          "x_mm":50,"y_mm":10 | "x_mm":50,"y_mm":10,"pitch_mm":5 | /places/5/pitch_mm | two leads
          "x_mm":50,"y_mm":10 | "x_mm":50,"y_mm":10,"pitch_mm":-5 | /places/5/pitch_mm | more than 0
          """)
  void whatLeadsToNothingIsTold(String good, String odd, String where, String text)
      throws IOException {
    assertThat(GOOD).contains(good);
    assertThat(read(GOOD.replace(good, odd)).findings())
        .as("%s", odd)
        .anyMatch(found -> found.where().endsWith(where) && found.text().contains(text));
    assertThat(read(GOOD).findings()).noneMatch(found -> found.where().endsWith(where));
  }

  @ParameterizedTest(name = "{3}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          "in":"3","gnd":"2","out":"1" | "in":"7","gnd":"2","out":"1" | /lines/0/model | pin '7'
          "in":"3","gnd":"2","out":"1" | "in":"1","gnd":"2","out":"3" | /lines/0/model | the wrong way round
          "plus":"IN","minus":"GND" | "plus":"GND","minus":"IN" | /supplies/0 | the wrong way round
          "x_mm":12,"y_mm":30 | "x_mm":120,"y_mm":30 | /places/3 | sits beside board 'main'
          "x_mm":45,"y_mm":30 | "x_mm":12,"y_mm":30 | /places/4 | sit on one spot
          "x_mm":45,"y_mm":30 | "x_mm":12.3,"y_mm":30 | /places/4 | lies on pad
          "x_mm":45,"y_mm":30 | "x_mm":12.3,"y_mm":30,"mount":"raised","standoff_mm":9 | /places/4 | lies on pad
          ,"mount":"socketed" |  | /places/2 | its mount is 'socketed'
          "polarity_marks":["flat"] | "polarity_marks":["flap"] | /lines/0/polarity_marks/0 | no mark 'flap'
          "polarity_marks":["flat"] | "polarity_marks":["flat:9"] | /lines/0/polarity_marks/0 | no pin '9'
          "closed":["S1"] | "closed":["R1"] | /states/0/closed/0 | no contacts
          "closed":["S1"] | "closed":["S1"],"set":{"R1":0.5} | /states/0/set/R1 | no potentiometer
          "closed":["S1"] | "closed":["S1"],"choose":{"hue":"x"} | /states/0/choose/hue | no option 'hue'
          "measure":"voltage" | "measure":"smell" | /gates/0/measure | no measure 'smell'
          "before":["U1"] | "before":["U9"] | /gates/0/before/0 | 'U9' is neither
          """)
  void whatMakesNoSenseIsRefusedWithItsPlace(String good, String bad, String where, String text)
      throws IOException {
    assertThat(GOOD).contains(good);
    KitRead read = read(GOOD.replace(good, bad == null ? "" : bad));
    assertThat(read).isInstanceOf(KitRead.Refused.class);
    assertThat(read.findings())
        .filteredOn(Finding::isError)
        .anySatisfy(found -> {
          assertThat(found.where()).endsWith(where);
          assertThat(found.text()).contains(text);
        });
  }

  /** One of two that are never fitted together may take the other's place. */
  @Test
  void partsOfWhichOnlyOneIsFittedMayShareTheirPlace() throws IOException {
    String shared =
        GOOD.replace("\"x_mm\":45,\"y_mm\":30", "\"x_mm\":12,\"y_mm\":30")
            .replace(
                "\"supplies\"",
                """
                "options":[{"id":"tone","question":"?","default":"a","choices":[
                  {"id":"a","label":"a","fit":["R1"]},{"id":"b","label":"b","fit":["R2"]}]}],
                "supplies\"\
                """);
    assertThat(read(shared).findings()).filteredOn(Finding::isError).isEmpty();
  }
}
