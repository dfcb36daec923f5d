/** Steps of the database's form that need more than SQL. Each stays as it was when it was released. */
@NullMarked
package choir.server.migration;

import org.jspecify.annotations.NullMarked;
