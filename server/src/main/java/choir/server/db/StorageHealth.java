package choir.server.db;

import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;

/** Not well while nothing can be stored. */
@Component
class StorageHealth implements HealthIndicator {
    private final Storage storage;

    StorageHealth(Storage storage) {
        this.storage = storage;
    }

    @Override
    public Health health() {
        try {
            storage.requireThere();
        } catch (StorageException e) {
            return down(String.valueOf(e.getMessage()));
        }
        return storage.trouble()
                .map(StorageHealth::down)
                .orElseGet(() -> Health.up().build());
    }

    private static Health down(String why) {
        return Health.down().withDetail("why", why).build();
    }
}
