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
