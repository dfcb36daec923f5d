package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Groups, and cameras in them, one by one and by the hundred. */
class PlacesTest {
    private Ensemble choir;

    @BeforeEach
    void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 3);
        choir.post("/api/v1/groups", Map.of("path", "terminals/haldr/quay"));
        choir.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: terminals/haldr\nuse: [house]\n");
    }

    @AfterEach
    void stop() {
        choir.close();
    }

    private String imported(String csv, int exitCode) throws IOException {
        var file = Files.writeString(choir.folder().resolve("cameras.csv"), csv);
        var said = choir.choir("camera", "import", file.toString());
        assertThat(said.exitCode()).as(said.errors()).isEqualTo(exitCode);
        return said.out() + said.errors();
    }

    @Test
    void whatIsExportedIsImportedAgainWithoutAChange() throws IOException {
        imported("camera,group,tags\nhaldr-1/01,terminals/haldr/quay,outside far-view\nhaldr-1/02,fleet,\n", 0);
        var exported = choir.choir("camera", "export").out();
        assertThat(exported)
                .startsWith("camera,label,device,group,tags")
                .contains("haldr-1/01,Camera 1,haldr-1-cam-01,fleet/terminals/haldr/quay,far-view outside");
        var before = choir.everythingStored();
        assertThat(imported(exported, 0)).contains("3 cameras read, 0 changed");
        assertThat(choir.everythingStored()).isEqualTo(before);
    }

    @Test
    void everyFaultIsToldByItsLineAndNothingIsTaken() throws IOException {
        var before = choir.everythingStored();
        assertThat(imported("""
                        camera,group,tags
                        haldr-1/01,terminals/haldr/quay,outside
                        haldr-1/09,fleet,
                        haldr-1/02,terminals/haldr/key,
                        haldr-1/03,fleet,Far View!
                        haldr-1/01,fleet,
                        """, 1))
                .contains("line 3 (camera): there is no camera \"haldr-1/09\"; did you mean")
                .contains("line 4 (group): there is no group \"fleet/terminals/haldr/key\"; did you mean")
                .contains("line 5 (tags): \"View!\" is not a tag")
                .contains("line 6 (camera): \"haldr-1/01\" stands in an earlier line too");
        assertThat(imported("camera,grp\nhaldr-1/01,fleet\n", 1)).contains("expected the columns camera, label");
        assertThat(imported("", 1)).contains("line 1 is not CSV");
        assertThat(choir.everythingStored()).isEqualTo(before);
    }

    @Test
    void aGroupMovesWithItsCamerasAndWhatIsSaidThere() {
        choir.choir("camera", "move", "haldr-1/01", "--to", "terminals/haldr/quay");
        choir.choir("set", "terminals/haldr/quay", "motion.threshold=2%", "--because", "swell");
        assertThat(choir.choir("group", "move", "terminals/haldr", "--to", "north/haldr")
                        .exitCode())
                .isZero();
        assertThat(choir.choir("explain", "haldr-1/01").out())
                .contains("template house (revision 1) at fleet/north/haldr")
                .contains("override at fleet/north/haldr/quay by ada, because: swell");
        assertThat(choir.choir("group", "list").out())
                .contains("fleet/terminals")
                .doesNotContain("fleet/terminals/haldr");
        assertThat(choir.choir("group", "move", "north", "--to", "north/deeper").errors())
                .contains("cannot be moved into itself");
        assertThat(choir.choir("group", "move", "north", "--to", "terminals").errors())
                .contains("there is a group fleet/terminals already");
    }

    @Test
    void aGroupIsRemovedOnlyWhenNoCameraStandsInIt() {
        choir.choir("camera", "move", "haldr-1/01", "--to", "terminals/haldr/quay");
        assertThat(choir.choir("group", "remove", "terminals").errors())
                .contains("a camera stands in fleet/terminals or below; move it first");
        choir.choir("camera", "move", "haldr-1/01", "--to", "fleet");
        assertThat(choir.choir("group", "remove", "terminals").exitCode()).isZero();
        assertThat(choir.choir("template", "list").out()).doesNotContain("terminals");
    }

    @Test
    void revisionsOfATemplateAreListedAndCompared() throws IOException {
        var file = Files.writeString(choir.folder().resolve("h.yaml"), "template: house\nmotion: {sensitivity: 65}\n");
        assertThat(choir.choir("template", "edit", "house", "--file", file.toString())
                        .exitCode())
                .isZero();
        assertThat(choir.choir("template", "history", "house").out())
                .containsPattern("2 +ada")
                .containsPattern("1 +ada");
        assertThat(choir.choir("template", "compare", "house").out())
                .contains("-   sensitivity: 70")
                .contains("+   sensitivity: 65");
        assertThat(choir.choir("template", "compare", "house", "1", "9").errors())
                .contains("has the revisions 1 to 2, not 9");
    }

    @Test
    void commandsCanBeCompleted() {
        assertThat(choir.choir("completion").out())
                .contains("complete ")
                .contains("rollout")
                .contains("reapply");
    }

    @Test
    void manyCamerasAreMovedAndTaggedByASelectionAllOrNone() {
        var moved = choir.choir(
                "camera",
                "move",
                "haldr-1/03",
                "--select",
                "camera:haldr-1/01,haldr-1/03",
                "--to",
                "terminals/haldr/quay");
        assertThat(moved.out()).contains("moved 2 of 2 cameras to terminals/haldr/quay");
        assertThat(choir.choir("camera", "tag", "--select", "group:terminals", "--tags", "outside,far-view")
                        .out())
                .contains("gave 2 of 2 cameras the tags outside, far-view");
        assertThat(choir.choir("camera", "list", "tag:far-view", "--format", "csv")
                        .out()
                        .lines())
                .hasSize(3);
        var before = choir.everythingStored();
        var refused = choir.choir("camera", "move", "haldr-1/02", "haldr-1/99", "--to", "fleet");
        assertThat(refused.exitCode()).isEqualTo(1);
        assertThat(refused.errors()).contains("there is no camera \"haldr-1/99\"");
        assertThat(choir.choir("camera", "move", "--to", "fleet").exitCode()).isEqualTo(2);
        assertThat(choir.everythingStored()).isEqualTo(before);
        assertThat(choir.choir("camera", "tag", "haldr-1/01", "--tags").out()).contains("no tags");
    }
}
