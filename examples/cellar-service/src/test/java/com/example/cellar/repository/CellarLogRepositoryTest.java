package com.example.cellar.repository;

import static org.assertj.core.api.Assertions.assertThat;

import com.example.cellar.dto.CellarLogInput;
import com.example.cellar.entity.CellarLog;
import com.example.cellar.samples.CellarLogSamples;
import com.example.cellar.support.InsertContract;
import com.example.cellar.support.TestRows;

class CellarLogRepositoryTest implements InsertContract<CellarLog, CellarLogInput> {
    @Override
    public TestRows<CellarLog, CellarLogInput, ?> rows() {
        return CellarLogSamples.ROWS;
    }

    @Override
    public void assertStored(CellarLog stored, CellarLogInput input) {
        assertThat(CellarLogInput.of(stored)).usingRecursiveComparison().ignoringExpectedNullFields().isEqualTo(input);
    }
}
