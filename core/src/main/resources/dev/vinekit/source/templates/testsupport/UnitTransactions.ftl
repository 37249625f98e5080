<#if s.interfaces>
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import javax.sql.DataSource;

/** Transactions without a database, for tests of services by themselves. */
public final class UnitTransactions {
    private UnitTransactions() {
    }

    /** Transactions that all run on this connection. */
    public static Transactions on(Connection connection) throws SQLException {
        DataSource dataSource = mock(DataSource.class);
        when(dataSource.getConnection()).thenReturn(connection);
        return new Transactions(dataSource, new SqlErrors(List.of()));
    }
}
</#if>
