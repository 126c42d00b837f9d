package tenterhook.desktop.gig;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import tenterhook.adapters.pack.GigPacking;
import tenterhook.adapters.pack.PackDisk;
import tenterhook.adapters.pack.Packing;
import tenterhook.core.gig.Gig;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Packs a gig onto a stick, looks first whether it fits, and checks it any time later. */
final class PackPane extends BorderPane {
  private static final String FOLDER = "gig pack folder";

  private final Workspace workspace;
  private final Runnable leave;
  private final Form form = new Form("pack-form", this::pack, () -> leave().run());
  private final TextField folder = form.line("gigs.packTo", 46);
  private final VBox outcome = new VBox(4);
  private Optional<Gig> gig = Optional.empty();

  /**
   * A form.
   *
   * @param leave called when nothing more is to be asked
   */
  PackPane(Workspace workspace, Runnable leave) {
    this.workspace = workspace;
    this.leave = leave;
    outcome.setId("pack-outcome");
    form.add(button("gigs.packFolder", this::choose));
    form.add(button("gigs.packLook", this::look));
    form.add(button("gigs.packCheck", this::check));
    form.getChildren().add(outcome);
    setCenter(form);
  }

  private Runnable leave() {
    return leave;
  }

  private static Button button(String key, Runnable action) {
    Button button = Look.button(Words.of(key), action);
    button.setId(key.replace('.', '-'));
    return button;
  }

  void ask(Gig of) {
    gig = Optional.of(of);
    form.titled(Words.of("gigs.packTitle", of.title()));
    folder.setText(workspace.collection().setting(FOLDER).orElse(""));
    outcome.getChildren().clear();
    folder.requestFocus();
  }

  private void choose() {
    DirectoryChooser chooser = new DirectoryChooser();
    Optional.ofNullable(chooser.showDialog(getScene().getWindow()))
        .ifPresent(f -> folder.setText(f.getPath()));
  }

  private Optional<GigPacking> packing() {
    String to = folder.getText().strip();
    if (to.isEmpty() || gig.isEmpty()) {
      workspace.frame().inform(Words.of("gigs.packNoFolder"), true, 0);
      return Optional.empty();
    }
    try {
      Path path = Path.of(to);
      workspace.keepSetting(FOLDER, to);
      outcome.getChildren().clear();
      return Optional.of(
          new GigPacking(
              gig.get(), workspace.state().get(), workspace.contents(), path, PackDisk.SYSTEM));
    } catch (InvalidPathException wrong) {
      workspace.frame().inform(String.valueOf(wrong.getMessage()), true, 0);
      return Optional.empty();
    }
  }

  private void look() {
    packing()
        .ifPresent(
            p -> workspace.independentJob(name("gigs.packLooks"), j -> p.plan(), this::planned));
  }

  private void pack() {
    packing().ifPresent(p -> workspace.independentJob(name("gigs.packs"), p::pack, this::packed));
  }

  private void check() {
    packing()
        .ifPresent(p -> workspace.independentJob(name("gigs.packChecks"), p::check, this::checked));
  }

  private String name(String key) {
    return Words.of(key, gig.map(Gig::title).orElse(""));
  }

  private void planned(GigPacking.PackPlan plan) {
    say(
        Words.of(
            plan.fits() ? "gigs.packFits" : "gigs.packNoRoom",
            plan.tracks(),
            Words.megabytes(plan.bytes()),
            Words.megabytes(plan.room())),
        plan.fits() ? "whole" : "hole");
    if (!plan.absent().isEmpty()) {
      say(Words.of("gigs.packAbsent", plan.absent().getCardinality()), "doubt");
      plan.absent().forEach((int id) -> say(workspace.state().get().snapshot().name(id), "second"));
    }
    plan.refused().forEach(r -> say(Words.of("sendOut.refused", r.path(), r.reason()), "hole"));
  }

  private void packed(Packing.PackReport report) {
    say(
        Words.of(
            report.stopped() ? "gigs.packStopped" : "gigs.packed", report.copied(), report.there()),
        report.stopped() ? "doubt" : "whole");
    report.refused().forEach(r -> say(Words.of("sendOut.refused", r.path(), r.reason()), "hole"));
  }

  private void checked(GigPacking.Check check) {
    say(
        Words.of(check.clean() ? "gigs.packClean" : "gigs.packUnclean", check.whole()),
        check.clean() ? "whole" : "hole");
    each(check.damaged(), "gigs.packDamaged", n -> n);
    each(check.missing(), "gigs.packMissing", n -> n);
    each(check.unpacked(), "gigs.packUnpacked", id -> workspace.state().get().snapshot().name(id));
    check.strays().forEach(n -> say(Words.of("gigs.packStray", n), "second"));
  }

  private <T> void each(Iterable<T> all, String message, Function<T, String> name) {
    all.forEach(one -> say(Words.of(message, name.apply(one)), "hole"));
  }

  private void say(String words, String style) {
    Label label = Look.dataLabel(words, style);
    label.setWrapText(true);
    outcome.getChildren().add(label);
  }
}
