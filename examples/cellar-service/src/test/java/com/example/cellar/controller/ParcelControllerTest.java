package com.example.cellar.controller;

import com.example.cellar.dto.ParcelInput;
import com.example.cellar.entity.Parcel;
import com.example.cellar.samples.ParcelSamples;
import com.example.cellar.support.ComparisonContract;
import com.example.cellar.support.CrudContract;
import com.example.cellar.support.IncludeContract;
import com.example.cellar.support.NestedContract;
import com.example.cellar.support.NestedList;
import com.example.cellar.support.PathKeys;
import com.example.cellar.support.RequiredContract;
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.RulesContract;
import com.example.cellar.support.SearchContract;
import com.example.cellar.support.ServiceUnderTest;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.TestRows;
import com.example.cellar.support.UniqueContract;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.RegisterExtension;

class ParcelControllerTest implements
        CrudContract<Parcel, ParcelInput>,
        ComparisonContract<Parcel, ParcelInput>,
        SearchContract<Parcel, ParcelInput>,
        UniqueContract<Parcel, ParcelInput>,
        RequiredContract<Parcel, ParcelInput>,
        IncludeContract<Parcel, ParcelInput>,
        NestedContract<Parcel, ParcelInput>,
        RulesContract<Parcel, ParcelInput> {
    private static final String PATH = "/parcels";
    private static final TableFacts FACTS = TableFacts.of(PATH)
            .key("id")
            .sortable("name", "varietyCode")
            .filters("id", "name", "varietyCode")
            .ordered("id")
            .searched("name")
            .required("name", "varietyCode", "areaHa")
            .unique("name")
            .changeable("name", "varietyCode", "areaHa", "slopePercent", "soil", "plantedOn", "organic", "latitude",
                    "longitude")
            .children("{key}/harvests");

    @RegisterExtension
    private static final ServiceUnderTest SERVICE = ServiceUnderTest.touching(
            Tables.GRAPE_VARIETY,
            Tables.PARCEL);

    @Override
    public ServiceUnderTest service() {
        return SERVICE;
    }

    @Override
    public TableFacts facts() {
        return FACTS;
    }

    @Override
    public TestRows<Parcel, ParcelInput, ?> rows() {
        return ParcelSamples.ROWS;
    }

    @Override
    public Map<String, String> included(Parcel stored) {
        return Map.of(
                "variety", "/grape-varieties/" + PathKeys.join(stored.varietyCode()));
    }

    @Override
    public List<NestedList<?>> nested(Parcel stored) throws SQLException {
        return List.of(
                new NestedList<>("/grape-varieties/" + PathKeys.join(stored.varietyCode()) + "/parcels", Parcel.class,
                        rowsWith(row -> Objects.equals(row.varietyCode(), stored.varietyCode())), false));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                // Unique PARCEL_NAME_KEY: NAME
                RuleCase.of("duplicate name").copying("name").isRefused(409),
                // Reference PARCEL_VARIETY_FKEY: VARIETY_CODE -> GRAPE_VARIETY (CODE)
                RuleCase.of("varietyCode of a missing row").with("varietyCode", "???").isRefused(422),
                RuleCase.of("row of varietyCode deleted").deleting("/grape-varieties", "varietyCode").isRefused(409),
                // Check PARCEL_AREA_CHECK: "AREA_HA" > CAST(0 AS NUMERIC(1))
                RuleCase.of("areaHa below its least").with("areaHa", 0).isRefused(400),
                // Check PARCEL_LATITUDE_CHECK: "LATITUDE" BETWEEN -90 AND 90
                RuleCase.of("latitude below its least").with("latitude", -91).isRefused(400),
                RuleCase.of("latitude above its most").with("latitude", 91).isRefused(400),
                // Check PARCEL_LONGITUDE_CHECK: "LONGITUDE" BETWEEN -180 AND 180
                RuleCase.of("longitude below its least").with("longitude", -181).isRefused(400),
                RuleCase.of("longitude above its most").with("longitude", 181).isRefused(400),
                // Check PARCEL_SLOPE_CHECK: "SLOPE_PERCENT" BETWEEN 0 AND 100
                RuleCase.of("slopePercent below its least").with("slopePercent", -1).isRefused(400),
                RuleCase.of("slopePercent above its most").with("slopePercent", 101).isRefused(400),
                // Check PARCEL_SOIL_CHECK: "SOIL" IN('chalk', 'clay', 'gravel', 'loam', 'sand', 'slate')
                RuleCase.of("soil not among its values").with("soil", "no such value").isRefused(400),
                // Generated ID: numbered by the database
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                // Not null NAME
                RuleCase.of("name missing").without("name").isRefused(400),
                // Type VARCHAR(80) of NAME
                RuleCase.of("name too long").with("name", "x".repeat(81)).isRefused(400),
                // Not null VARIETY_CODE
                RuleCase.of("varietyCode missing").without("varietyCode").isRefused(400),
                // Type VARCHAR(8) of VARIETY_CODE
                RuleCase.of("varietyCode too long").with("varietyCode", "x".repeat(9)).isRefused(400),
                // Not null AREA_HA
                RuleCase.of("areaHa missing").without("areaHa").isRefused(400),
                // Type NUMERIC(6, 3) of AREA_HA
                RuleCase.of("areaHa with too many digits").with("areaHa", 1000).isRefused(400),
                RuleCase.of("areaHa with too many decimals").with("areaHa", new BigDecimal("500.0005")).isRefused(400),
                // Not null SOIL
                RuleCase.of("soil cleared").clearing("soil").isRefused(400),
                // Default 'loam' of SOIL
                RuleCase.of("soil left out").without("soil").takesADefault(),
                // Not null ORGANIC
                RuleCase.of("organic cleared").clearing("organic").isRefused(400),
                // Default FALSE of ORGANIC
                RuleCase.of("organic left out").without("organic").takesADefault());
    }
}
