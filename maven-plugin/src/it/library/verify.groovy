assert new File(basedir, 'build.log').text.contains('Surveyed: 15')
assert new File(basedir, 'target/service/src/main/java/com/example/estate/cellar/entity/Vessel.java').exists()
