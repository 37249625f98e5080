package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.samples.CellarLogSamples;
import com.example.cellar.support.InsertContract;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.TestTransaction;
import java.sql.Connection;
import org.junit.jupiter.api.extension.RegisterExtension;

class CellarLogRepositoryTest implements InsertContract<CellarLog, CellarLogInput> {
    @RegisterExtension
    private final TestTransaction transaction = new TestTransaction();

    @Override
    public Connection connection() {
        return transaction.connection();
    }

    @Override
    public TestRows<CellarLog, CellarLogInput, ?> rows() {
        return CellarLogSamples.ROWS;
    }

    @Override
    public void assertStored(CellarLog stored, CellarLogInput input) {
        assertThat(CellarLogInput.of(stored)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
    }
}
