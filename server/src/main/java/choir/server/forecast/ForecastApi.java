package choir.server.forecast;

import choir.family.Ability;
import choir.policy.Catalogue;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import choir.server.forecast.ForecastViews.ForecastView;
import choir.server.journal.Journal;
import choir.server.policy.PolicyFile;
import choir.server.policy.PolicyLoad;
import choir.server.standing.Standings;
import choir.server.standing.Standings.Supposed;
import choir.server.web.Problem;
import choir.storage.Size;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** How much is put on disks and for how long it stays there, and what a policy would make of that. */
@RestController
class ForecastApi {
    private static final int MOST_STORES = 1_000;

    /**
     * @param select whose recorders are reckoned; all when not said
     * @param files policy files as they would be taken; nothing is stored
     * @param limit how many stores are told at most; 100 when not said
     */
    record ForecastRequest(
            @Nullable String select,
            List<PolicyFile> files,
            @Nullable Integer limit) {}

    /** @param size such as {@code 8 TB} */
    record StoreSize(String size) {}

    private final Forecasts forecasts;
    private final StoreSizes sizes;
    private final Standings standings;
    private final PolicyLoad policies;
    private final FleetStore fleet;
    private final KnownFamilies families;
    private final Journal journal;
    private final Database database;

    ForecastApi(
            Forecasts forecasts,
            StoreSizes sizes,
            Standings standings,
            PolicyLoad policies,
            FleetStore fleet,
            KnownFamilies families,
            Journal journal,
            Database database) {
        this.forecasts = forecasts;
        this.sizes = sizes;
        this.standings = standings;
        this.policies = policies;
        this.fleet = fleet;
        this.families = families;
        this.journal = journal;
        this.database = database;
    }

    /** As recorders are set, and as they will be once policy is given out. */
    @GetMapping("/api/v1/forecast")
    ForecastView forecast(
            @RequestParam(defaultValue = "") String select, @RequestParam(defaultValue = "100") int limit) {
        return view(select, Optional.empty(), limit);
    }

    /** As recorders are set, and as they would be once these files were policy and given out. */
    @PostMapping("/api/v1/forecasts")
    ForecastView forecast(@RequestBody ForecastRequest given) {
        var supposed = given.files().isEmpty()
                ? Optional.<Supposed>empty()
                : Optional.of(policies.tried(given.files(), standings::supposed));
        return view(
                given.select() == null ? "" : given.select(), supposed, given.limit() == null ? 100 : given.limit());
    }

    private ForecastView view(String select, Optional<Supposed> supposed, int limit) {
        if (limit < 1 || limit > MOST_STORES) {
            throw new Problem(Problem.Kind.INVALID, "limit is 1 to " + MOST_STORES + ", not " + limit);
        }
        return ForecastViews.of(forecasts, forecasts.of(select, supposed), supposed, limit);
    }

    /**
     * Says how large a store is, since recorders do not tell.
     *
     * @param store as policies call it; not said for a recorder's only one
     */
    @PutMapping("/api/v1/recorders/{name}/store-size")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void say(
            @PathVariable String name,
            @RequestParam(defaultValue = "") String store,
            @RequestBody StoreSize given,
            Principal who) {
        long bytes = Size.parse(given.size());
        database.write(() -> {
            requireStore(fleet.recorder(name), store);
            sizes.put(name, store, bytes, who.getName());
            journal.add(
                    who.getName(),
                    "said how large a store is",
                    name,
                    words(store) + given.size().strip());
        });
    }

    @DeleteMapping("/api/v1/recorders/{name}/store-size")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forget(@PathVariable String name, @RequestParam(defaultValue = "") String store, Principal who) {
        database.write(() -> {
            fleet.recorder(name);
            if (!sizes.forget(name, store)) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        "nobody said how large " + (store.isEmpty() ? "the store" : store) + " of " + name + " is");
            }
            journal.add(who.getName(), "took back how large a store is", name, store);
        });
    }

    private static String words(String store) {
        return store.isEmpty() ? "" : store + ": ";
    }

    private void requireStore(StoredRecorder recorder, String store) {
        Set<String> known = families.named(recorder.family())
                .flatMap(f -> f.ability(Catalogue.STORE))
                .flatMap(a -> a instanceof Ability.Choice choice
                        ? Optional.of(choice.choices().keySet())
                        : Optional.empty())
                .orElse(Set.of());
        if (known.isEmpty() && !store.isEmpty()) {
            throw new Problem(Problem.Kind.INVALID, recorder.name() + " has only one store; leave its name out");
        }
        if (!known.isEmpty() && !known.contains(store)) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    recorder.name() + " has the stores " + String.join(", ", known) + "; say which is meant");
        }
    }
}
