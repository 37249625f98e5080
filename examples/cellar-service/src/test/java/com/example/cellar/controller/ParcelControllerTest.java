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
import com.example.cellar.support.RuleCase;
import com.example.cellar.support.SearchContract;
import com.example.cellar.support.TableFacts;
import com.example.cellar.support.Tables;
import com.example.cellar.support.UniqueContract;
import java.math.BigDecimal;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;

class ParcelControllerTest implements
        CrudContract<Parcel, ParcelInput>,
        ComparisonContract<Parcel, ParcelInput>,
        SearchContract<Parcel, ParcelInput>,
        UniqueContract<Parcel, ParcelInput>,
        IncludeContract<Parcel, ParcelInput>,
        NestedContract<Parcel, ParcelInput> {
    @Override
    public TableFacts<Parcel, ParcelInput> facts() {
        return TableFacts.of("/parcels", ParcelSamples.ROWS)
                .touching(Tables.GRAPE_VARIETY, Tables.PARCEL)
                .key("id")
                .sortable("name", "varietyCode")
                .filters("id", "name", "varietyCode")
                .ordered("id")
                .searched("name")
                .unique("name")
                .changeable("name", "varietyCode", "areaHa", "slopePercent", "soil", "plantedOn", "organic", "latitude",
                        "longitude")
                .children("{key}/harvests");
    }

    @Override
    public Map<String, String> included(Parcel stored) {
        return Map.of(
                "variety", "/grape-varieties/" + PathKeys.join(stored.varietyCode()));
    }

    @Override
    public List<NestedList<?>> nested(Parcel stored) throws SQLException {
        return List.of(
                listAt("/grape-varieties/" + PathKeys.join(stored.varietyCode()) + "/parcels",
                        row -> Objects.equals(row.varietyCode(), stored.varietyCode())));
    }

    static Stream<RuleCase> rules() {
        return Stream.of(
                RuleCase.of("all required missing").without("name", "varietyCode", "areaHa").isRefused(400),
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
                RuleCase.of("id from the client").with("id", 1).isRefused(400),
                RuleCase.of("name missing").without("name").isRefused(400),
                RuleCase.of("name too long").with("name", "x".repeat(81)).isRefused(400),
                RuleCase.of("varietyCode missing").without("varietyCode").isRefused(400),
                RuleCase.of("varietyCode too long").with("varietyCode", "x".repeat(9)).isRefused(400),
                RuleCase.of("areaHa missing").without("areaHa").isRefused(400),
                RuleCase.of("areaHa with too many digits").with("areaHa", 1000).isRefused(400),
                RuleCase.of("areaHa with too many decimals").with("areaHa", new BigDecimal("500.0005")).isRefused(400),
                RuleCase.of("soil cleared").clearing("soil").isRefused(400),
                RuleCase.of("soil left out").without("soil").takesADefault(),
                RuleCase.of("organic cleared").clearing("organic").isRefused(400),
                RuleCase.of("organic left out").without("organic").takesADefault());
    }
}
