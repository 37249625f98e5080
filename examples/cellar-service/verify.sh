#!/bin/sh
# What a build server calls: compiles everything, runs every test, and ends with a status other than 0 if one fails.
# It needs a JDK of version 17 or later and Maven; the reports of the tests are in target/surefire-reports.
set -eu
cd "$(dirname "$0")"
exec mvn --batch-mode --no-transfer-progress verify
