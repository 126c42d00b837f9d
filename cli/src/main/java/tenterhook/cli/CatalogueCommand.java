package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tenterhook.adapters.catalogue.CatalogueClient;
import tenterhook.adapters.catalogue.CatalogueClient.Manners;
import tenterhook.adapters.catalogue.CatalogueJson;
import tenterhook.adapters.catalogue.CatalogueSources;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.repair.RepairService;
import tenterhook.core.catalogue.Answer;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.Lookup;
import tenterhook.core.catalogue.Match;
import tenterhook.standins.catalogue.CatalogueService;
import tenterhook.standins.catalogue.DemoCatalogue;
import tenterhook.standins.demo.DemoMusic;

/** Asks catalogues about tracks; their answers are kept and become repairs. */
@Command(
    name = "catalogue",
    description = "Looks tracks up in catalogues, chooses which, or serves the stand-in's.",
    subcommands = {
      CatalogueCommand.LookUp.class,
      CatalogueCommand.Use.class,
      CatalogueCommand.Serve.class
    })
final class CatalogueCommand implements Callable<Integer> {
  @ParentCommand TenterhookCommand main;

  @Override
  public Integer call() {
    main.err.println("say look, use or serve: tenterhook catalogue look [QUERY]");
    return TenterhookCommand.WRONG;
  }

  @Command(
      name = "look",
      description = "Looks tracks up; repairs --kind catalogue then lists what it would mend.")
  static final class LookUp extends CollectionCommand {
    @Mixin QueryOption query = new QueryOption();

    @Option(
        names = "--service",
        paramLabel = "SOURCE",
        description =
            "An address, a file or a folder to ask instead of what is kept; several: the first is"
                + " believed most.")
    List<String> services = List.of();

    @Override
    void run(MusicCollection collection) throws IOException {
      List<String> sources =
          services.isEmpty() ? CatalogueSources.of(collection) : checked(services, collection);
      if (sources.isEmpty()) {
        throw new IllegalArgumentException(
            "no catalogue is chosen, so nothing was looked up: name one with --service, or keep"
                + " one with: tenterhook catalogue use SOURCE");
      }
      try (StandIn standIn = new StandIn()) {
        CatalogueSources catalogues = new CatalogueSources(standIn::start);
        Catalogue opened = catalogues.open(sources, progress());
        if (!catalogues.leftOut().isEmpty()) {
          main.err.println(catalogues.leftOut());
        }
        look(collection, opened);
      }
    }

    private void look(MusicCollection collection, Catalogue catalogue) {
      RepairService repairService = new RepairService(collection);
      RoaringBitmap ids = query.in(collection);
      Lookup.LookedUp found = repairService.lookUp(ids, catalogue, progress());
      ids.forEach(
          (int id) -> {
            Answer answer = found.answers().get(id);
            if (answer != null) {
              print(collection, id, answer);
            }
          });
      if (!found.trouble().isEmpty()) {
        main.err.println(found.trouble());
        partly();
      }
    }

    private void print(MusicCollection collection, int id, Answer answer) {
      ObjectNode node = object().put("path", path(collection, id));
      ArrayNode array = node.putArray("matches");
      for (Match match : answer.matches()) {
        CatalogueJson.write(array.addObject(), match.entry())
            .put("certainty", match.certainty())
            .put("reason", match.reason());
      }
      String words = words(answer);
      say(node, path(collection, id) + ": " + words);
    }

    private static String words(Answer answer) {
      return answer.matches().isEmpty()
          ? "no answer"
          : answer.matches().getFirst().certainty()
              + "  "
              + answer.matches().getFirst().entry().artist()
              + " – "
              + answer.matches().getFirst().entry().title();
    }
  }

  @Command(
      name = "use",
      description = "Chooses which catalogues are asked, in order; without a name, says which.")
  static final class Use extends CollectionCommand {
    @Parameters(
        arity = "0..*",
        paramLabel = "SOURCE",
        description =
            "The address of a service; a json, csv, xspf, jspf or m3u8 file; a folder of tagged"
                + " music; demo.")
    List<String> sources = List.of();

    @Option(names = "--none", description = "Asks nobody from now on.")
    boolean none;

    @Override
    void run(MusicCollection collection) throws IOException {
      if (none && !sources.isEmpty()) {
        throw new IllegalArgumentException("name catalogues or say --none, not both");
      }
      if (none || !sources.isEmpty()) {
        new RepairService(collection).askFrom(checked(sources, collection));
      }
      List<String> asked = CatalogueSources.of(collection);
      asked.forEach(source -> say(object().put("source", source), source));
      if (asked.isEmpty()) {
        main.err.println("no catalogue is asked");
      }
    }
  }

  private static List<String> checked(List<String> sources, MusicCollection collection)
      throws IOException {
    List<String> checked = new ArrayList<>();
    for (String source : sources) {
      checked.add(CatalogueSources.checked(source, collection.state().roots().values()));
    }
    return checked;
  }

  /** The service that ships, started when it is asked and ended with the command. */
  private static final class StandIn implements AutoCloseable {
    private @Nullable CatalogueService service;

    Catalogue start() throws IOException {
      CatalogueService started = CatalogueService.start(DemoCatalogue.of(DemoMusic.TRACKS), 0);
      service = started;
      return new CatalogueClient(started.address(), Manners.NEIGHBOURLY, Thread::sleep);
    }

    @Override
    public void close() {
      if (service != null) {
        service.close();
      }
    }
  }

  @Command(name = "serve", description = "Serves the stand-in's catalogue until it is interrupted.")
  static final class Serve implements Callable<Integer> {
    @ParentCommand CatalogueCommand parent;

    @Option(names = "--port", description = "On the loopback interface (${DEFAULT-VALUE}).")
    int port = 8470;

    @Option(names = "--delay", paramLabel = "MS", description = "Waits before every answer.")
    int delay;

    @Option(names = "--fail-every", paramLabel = "N", description = "Every so many-th fails.")
    int failEvery;

    @Option(names = "--limit", paramLabel = "N", description = "Requests a second at the most.")
    int limit;

    @Override
    public Integer call() throws Exception {
      try (CatalogueService service =
          CatalogueService.start(DemoCatalogue.of(DemoMusic.TRACKS), port)) {
        service.behave(new CatalogueService.Mood(delay, failEvery, limit));
        parent.main.err.println("the catalogue answers at " + service.address());
        Thread.currentThread().join();
      }
      return TenterhookCommand.DONE;
    }
  }
}
