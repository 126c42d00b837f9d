package tenterhook.desktop.change;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.recipe.KeptRecipes;
import tenterhook.core.recipe.Recipe;
import tenterhook.core.recipe.RecipeRun;
import tenterhook.core.recipe.RecipeRun.TrackOutcome;
import tenterhook.core.recipe.RecipeStep;
import tenterhook.core.recipe.RecipeText;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** Many tracks changed by steps: the steps at the left, what becomes of each track beside them. */
public final class ChangeManyView extends StationOutline implements StepRow.StepList {
  private final Label title = Look.label("", "heading");
  private final Label sentence = Look.label("", "second");
  private final VBox steps = new VBox(10);
  private final OutcomeTable outcomes;
  private final Button apply = Look.primary("", this::apply);
  private final MenuButton recipes = new MenuButton(Words.of("change.recipes"));
  private TrackList list = TrackList.NONE;
  private Optional<Recipe> recipe = Optional.empty();

  /** The view. */
  public ChangeManyView(Workspace workspace) {
    super(workspace, "keys.change");
    this.outcomes = new OutcomeTable(workspace);
    title.setId("change-title");
    sentence.setId("change-sentence");
    apply.setId("change-apply");
    apply.setMinWidth(Region.USE_PREF_SIZE);
    recipes.setId("change-recipes");
    recipes.setOnShowing(e -> fillRecipes());
    fillRecipes();
    Button add = Look.button(Words.of("change.addStep"), this::add);
    add.setId("change-add");
    ScrollPane scroll = new ScrollPane(steps);
    scroll.setFitToWidth(true);
    VBox left = side(330, scroll, scroll, new HBox(8, add, recipes));
    HBox head = new HBox(12, head(title, sentence), Look.spring(), apply);
    VBox main = new VBox(8, head, outcomes);
    main.getStyleClass().add("main");
    VBox.setVgrow(outcomes, Priority.ALWAYS);
    node.setLeft(left);
    node.setCenter(main);
    workspace.whileInView(node, this::changed);
  }

  /** Begins with the tracks of a list, in its order; the steps stay as they were. */
  public void show(TrackList tracks) {
    list = tracks;
    Look.data(title, Words.of("change.title", tracks.ids().size(), tracks.title()));
    if (steps.getChildren().isEmpty()) {
      add();
    }
    changed();
  }

  private void add() {
    steps.getChildren().add(new StepRow(this));
    changed();
  }

  private List<StepRow> rows() {
    return steps.getChildren().stream().map(StepRow.class::cast).toList();
  }

  @Override
  public void remove(StepRow row) {
    steps.getChildren().remove(row);
    changed();
  }

  @Override
  public void move(StepRow row, int by) {
    int to = steps.getChildren().indexOf(row) + by;
    if (to >= 0 && to < steps.getChildren().size()) {
      steps.getChildren().remove(row);
      steps.getChildren().add(to, row);
      changed();
    }
  }

  /** What is to be shown of a run, sorted beside the window: what changes, then what is refused. */
  private record Looked(RecipeRun run, List<TrackOutcome> listed) {
    static Looked of(RecipeRun run) {
      return new Looked(
          run,
          run.tracks().stream()
              .filter(t -> !t.edits().isEmpty() || t.refused().isPresent())
              .sorted(Comparator.comparing(t -> t.refused().isPresent()))
              .toList());
    }
  }

  @Override
  public void changed() {
    List<RecipeStep> read = new ArrayList<>();
    boolean whole = true;
    for (StepRow row : rows()) {
      Optional<RecipeStep> step = row.step();
      step.ifPresent(read::add);
      whole &= step.isPresent();
    }
    recipe = whole && !read.isEmpty() ? Optional.of(new Recipe(read)) : Optional.empty();
    Recipe wanted = recipe.orElse(Recipe.EMPTY);
    CollectionState now = workspace.state().get();
    TrackIds ids = list.ids();
    apply.setDisable(true);
    workspace.promptly(
        this,
        () -> Looked.of(RecipeRun.of(wanted, now.snapshot(), now.codebook(), ids)),
        this::look);
  }

  private void look(Looked looked) {
    RecipeRun run = looked.run();
    outcomes.getItems().setAll(looked.listed());
    sentence.setText(
        recipe.isEmpty()
            ? Words.of("change.unready")
            : Words.of("change.sentence", run.changing(), run.tracks().size(), run.refusals()));
    apply.setText(Words.of("change.apply", run.changing()));
    apply.setDisable(recipe.isEmpty() || run.changing() == 0);
  }

  /** Made anew from the collection as it is when its turn comes. */
  private void apply() {
    TrackIds ids = list.ids();
    recipe.ifPresent(
        wanted ->
            workspace.command(
                Words.of("change.job"),
                ids.size(),
                now -> RecipeRun.of(wanted, now.snapshot(), now.codebook(), ids).change()));
  }

  private KeptRecipes kept() {
    return KeptRecipes.read(workspace.collection().setting(KeptRecipes.SETTING).orElse(""));
  }

  private void keep(KeptRecipes recipes) {
    workspace.keepSetting(KeptRecipes.SETTING, recipes.write());
  }

  private void fillRecipes() {
    List<MenuItem> items = new ArrayList<>();
    KeptRecipes now = kept();
    now.texts().forEach((name, text) -> items.add(Look.named(name, () -> use(name, text))));
    items.add(Look.item("change.keep", this::askName));
    items.add(Look.item("change.keepKind", this::askKind));
    now.texts()
        .keySet()
        .forEach(
            name ->
                items.add(
                    Look.named(Words.of("change.forget", name), () -> keep(kept().minus(name)))));
    recipes.getItems().setAll(items);
  }

  private void use(String name, String text) {
    if (RecipeText.read(text) instanceof RecipeText.Read.Bad bad) {
      workspace.frame().inform(Words.of("change.badRecipe", name, bad.message()), true, 0);
      return;
    }
    steps.getChildren().clear();
    for (String line : text.lines().toList()) {
      StepRow row = new StepRow(this);
      row.show(line);
      steps.getChildren().add(row);
    }
    changed();
  }

  private void askName() {
    ask(
        "change.askName",
        "change.keepIt",
        (name, wanted) -> {
          keep(kept().plus(name, wanted));
          workspace.frame().inform(Words.of("change.kept", name), false, 0);
        });
  }

  private void askKind() {
    ask(
        "change.askKind",
        "change.makeKind",
        (name, wanted) ->
            workspace
                .repairs()
                .settle(
                    workspace.repairs().rules().withOwn(name, wanted),
                    Words.of("change.keptKind", name)));
  }

  private void ask(String question, String answer, BiConsumer<String, Recipe> then) {
    recipe.ifPresentOrElse(
        wanted ->
            workspace
                .frame()
                .askText(
                    Words.of(question),
                    "",
                    Words.of(answer),
                    name -> {
                      try {
                        then.accept(name, wanted);
                      } catch (IllegalArgumentException wrong) { // such as steps that number
                        workspace.frame().inform(String.valueOf(wrong.getMessage()), true, 0);
                      }
                    }),
        () -> workspace.frame().inform(Words.of("change.unready"), true, 0));
  }
}
