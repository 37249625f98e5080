/*M!999999\- enable the sandbox mode */ 
-- MariaDB dump 10.19  Distrib 10.11.19-MariaDB, for debian-linux-gnu (x86_64)
--
-- Host: localhost    Database: cellar
-- ------------------------------------------------------
-- Server version	10.11.19-MariaDB-0+deb12u1

/*!40101 SET @OLD_CHARACTER_SET_CLIENT=@@CHARACTER_SET_CLIENT */;
/*!40101 SET @OLD_CHARACTER_SET_RESULTS=@@CHARACTER_SET_RESULTS */;
/*!40101 SET @OLD_COLLATION_CONNECTION=@@COLLATION_CONNECTION */;
/*!40101 SET NAMES utf8mb4 */;
/*!40103 SET @OLD_TIME_ZONE=@@TIME_ZONE */;
/*!40103 SET TIME_ZONE='+00:00' */;
/*!40014 SET @OLD_UNIQUE_CHECKS=@@UNIQUE_CHECKS, UNIQUE_CHECKS=0 */;
/*!40014 SET @OLD_FOREIGN_KEY_CHECKS=@@FOREIGN_KEY_CHECKS, FOREIGN_KEY_CHECKS=0 */;
/*!40101 SET @OLD_SQL_MODE=@@SQL_MODE, SQL_MODE='NO_AUTO_VALUE_ON_ZERO' */;
/*!40111 SET @OLD_SQL_NOTES=@@SQL_NOTES, SQL_NOTES=0 */;

--
-- Current Database: `cellar`
--

CREATE DATABASE /*!32312 IF NOT EXISTS*/ `cellar` /*!40100 DEFAULT CHARACTER SET latin1 COLLATE latin1_swedish_ci */;

USE `cellar`;

--
-- Table structure for table `blend`
--

DROP TABLE IF EXISTS `blend`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `blend` (
  `id` int(11) NOT NULL AUTO_INCREMENT,
  `name` varchar(80) NOT NULL,
  `vintage` smallint(6) DEFAULT NULL COMMENT 'Empty for a blend over several years',
  `blended_on` date NOT NULL,
  `tasting_notes` text DEFAULT NULL,
  `approved_by` int(11) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `blend_name_vintage_key` (`name`,`vintage`),
  KEY `blend_approver_fkey` (`approved_by`),
  CONSTRAINT `blend_approver_fkey` FOREIGN KEY (`approved_by`) REFERENCES `cellar_hand` (`id`),
  CONSTRAINT `blend_vintage_check` CHECK (`vintage` between 1950 and 2100)
) ENGINE=InnoDB AUTO_INCREMENT=13 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='A wine put together from lots.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `blend`
--

LOCK TABLES `blend` WRITE;
/*!40000 ALTER TABLE `blend` DISABLE KEYS */;
INSERT INTO `blend` VALUES
(1,'Harvest Moon',NULL,'2024-02-01',NULL,NULL),
(2,'First Frost',2023,'2024-02-07','Dark fruit, a little smoke.\nOpen an hour before pouring.',2),
(3,'Old Bridge',2022,'2024-02-13',NULL,3),
(4,'Quiet Cellar',2023,'2024-02-19','Dark fruit, a little smoke.\nOpen an hour before pouring.',1),
(5,'Stone Path',NULL,'2024-02-25',NULL,2),
(6,'Tall Grass',2023,'2024-03-02','Dark fruit, a little smoke.\nOpen an hour before pouring.',NULL),
(7,'Winter Light',2022,'2024-03-08',NULL,1),
(8,'Red Barn',2023,'2024-03-14','Dark fruit, a little smoke.\nOpen an hour before pouring.',2),
(9,'Blue Hour',NULL,'2024-03-20',NULL,3),
(10,'Slow River',2023,'2024-03-26','Dark fruit, a little smoke.\nOpen an hour before pouring.',1),
(11,'Copper Leaf',2022,'2024-04-01',NULL,NULL),
(12,'Evening Bell',2023,'2024-04-07','Dark fruit, a little smoke.\nOpen an hour before pouring.',3);
/*!40000 ALTER TABLE `blend` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `blend_component`
--

DROP TABLE IF EXISTS `blend_component`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `blend_component` (
  `blend_id` int(11) NOT NULL,
  `wine_lot_id` uuid NOT NULL,
  `share` decimal(5,2) NOT NULL COMMENT 'Per cent by volume',
  PRIMARY KEY (`blend_id`,`wine_lot_id`),
  KEY `blend_component_lot_fkey` (`wine_lot_id`),
  CONSTRAINT `blend_component_blend_fkey` FOREIGN KEY (`blend_id`) REFERENCES `blend` (`id`) ON DELETE CASCADE,
  CONSTRAINT `blend_component_lot_fkey` FOREIGN KEY (`wine_lot_id`) REFERENCES `wine_lot` (`id`),
  CONSTRAINT `blend_component_share_check` CHECK (`share` > 0 and `share` <= 100)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='A lot''s part in a blend.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `blend_component`
--

LOCK TABLES `blend_component` WRITE;
/*!40000 ALTER TABLE `blend_component` DISABLE KEYS */;
INSERT INTO `blend_component` VALUES
(1,'00000000-0000-4000-a000-000000000001',60.00),
(1,'00000000-0000-4000-a000-000000000006',40.00),
(2,'00000000-0000-4000-a000-000000000003',50.00),
(2,'00000000-0000-4000-a000-000000000008',30.00),
(2,'00000000-0000-4000-a000-000000000013',20.00),
(3,'00000000-0000-4000-a000-000000000005',100.00),
(4,'00000000-0000-4000-a000-000000000007',70.50),
(4,'00000000-0000-4000-a000-000000000012',29.50),
(5,'00000000-0000-4000-a000-000000000009',60.00),
(5,'00000000-0000-4000-a000-000000000014',40.00),
(6,'00000000-0000-4000-a000-000000000011',50.00),
(6,'00000000-0000-4000-a000-000000000016',30.00),
(6,'00000000-0000-4000-a000-000000000021',20.00),
(7,'00000000-0000-4000-a000-000000000013',100.00),
(8,'00000000-0000-4000-a000-000000000015',70.50),
(8,'00000000-0000-4000-a000-000000000020',29.50),
(9,'00000000-0000-4000-a000-000000000017',60.00),
(9,'00000000-0000-4000-a000-000000000022',40.00),
(10,'00000000-0000-4000-a000-000000000019',50.00),
(10,'00000000-0000-4000-a000-000000000024',30.00),
(10,'00000000-0000-4000-a000-000000000029',20.00),
(11,'00000000-0000-4000-a000-000000000021',100.00),
(12,'00000000-0000-4000-a000-000000000023',70.50),
(12,'00000000-0000-4000-a000-000000000028',29.50);
/*!40000 ALTER TABLE `blend_component` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `bottling`
--

DROP TABLE IF EXISTS `bottling`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `bottling` (
  `id` int(11) NOT NULL AUTO_INCREMENT,
  `blend_id` int(11) NOT NULL,
  `label_id` int(11) DEFAULT NULL,
  `bottled_on` date NOT NULL,
  `bottle_ml` smallint(6) NOT NULL DEFAULT 750,
  `bottles` int(11) NOT NULL,
  `litres` decimal(12,3) GENERATED ALWAYS AS (`bottles` * `bottle_ml` / 1000.0) STORED COMMENT 'Worked out by the database',
  `price` decimal(8,2) DEFAULT NULL,
  `closed_with` enum('cork','screw cap','crown cap','glass') NOT NULL,
  PRIMARY KEY (`id`),
  KEY `bottling_blend_fkey` (`blend_id`),
  KEY `bottling_label_fkey` (`label_id`),
  CONSTRAINT `bottling_blend_fkey` FOREIGN KEY (`blend_id`) REFERENCES `blend` (`id`),
  CONSTRAINT `bottling_label_fkey` FOREIGN KEY (`label_id`) REFERENCES `label` (`id`),
  CONSTRAINT `bottling_size_check` CHECK (`bottle_ml` in (375,500,750,1500)),
  CONSTRAINT `bottling_bottles_check` CHECK (`bottles` > 0),
  CONSTRAINT `bottling_price_check` CHECK (`price` >= 0)
) ENGINE=InnoDB AUTO_INCREMENT=25 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='A run of the bottling line.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `bottling`
--

LOCK TABLES `bottling` WRITE;
/*!40000 ALTER TABLE `bottling` DISABLE KEYS */;
INSERT INTO `bottling` VALUES
(1,1,NULL,'2024-06-03',750,338,253.500,NULL,'cork'),
(2,2,3,'2024-06-04',750,230,172.500,9.75,'screw cap'),
(3,3,5,'2024-06-05',375,575,215.625,10.50,'crown cap'),
(4,4,7,'2024-06-06',1500,1927,2890.500,11.25,'glass'),
(5,5,9,'2024-06-07',500,1306,653.000,12.00,'cork'),
(6,6,11,'2024-06-08',750,2035,1526.250,12.75,'screw cap'),
(7,7,13,'2024-06-09',750,847,635.250,NULL,'crown cap'),
(8,8,NULL,'2024-06-10',375,1938,726.750,14.25,'glass'),
(9,9,17,'2024-06-11',1500,1005,1507.500,15.00,'cork'),
(10,10,19,'2024-06-12',500,351,175.500,15.75,'screw cap'),
(11,11,21,'2024-06-13',750,2475,1856.250,16.50,'crown cap'),
(12,12,23,'2024-06-14',750,1719,1289.250,17.25,'glass'),
(13,1,1,'2024-06-15',375,454,170.250,NULL,'cork'),
(14,2,3,'2024-06-16',1500,499,748.500,18.75,'screw cap'),
(15,3,NULL,'2024-06-17',500,202,101.000,19.50,'crown cap'),
(16,4,7,'2024-06-18',750,1753,1314.750,20.25,'glass'),
(17,5,9,'2024-06-19',750,628,471.000,21.00,'cork'),
(18,6,11,'2024-06-20',375,2016,756.000,21.75,'screw cap'),
(19,7,13,'2024-06-21',1500,2218,3327.000,NULL,'crown cap'),
(20,8,15,'2024-06-22',500,2965,1482.500,23.25,'glass'),
(21,9,17,'2024-06-23',750,1394,1045.500,24.00,'cork'),
(22,10,NULL,'2024-06-24',750,1525,1143.750,24.75,'screw cap'),
(23,11,21,'2024-06-25',375,1227,460.125,25.50,'crown cap'),
(24,12,23,'2024-06-26',1500,2809,4213.500,26.25,'glass');
/*!40000 ALTER TABLE `bottling` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `cellar_hand`
--

DROP TABLE IF EXISTS `cellar_hand`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `cellar_hand` (
  `id` int(11) NOT NULL AUTO_INCREMENT,
  `full_name` varchar(80) NOT NULL,
  `email` varchar(120) NOT NULL,
  `craft` enum('cellar','cooperage','laboratory','vineyard') NOT NULL DEFAULT 'cellar',
  `hired_on` date NOT NULL,
  `left_on` date DEFAULT NULL,
  `shift_starts` time NOT NULL,
  `supervisor_id` int(11) DEFAULT NULL COMMENT 'Whom this person answers to; nobody for the winemaker',
  PRIMARY KEY (`id`),
  UNIQUE KEY `cellar_hand_email_key` (`email`),
  KEY `cellar_hand_supervisor_fkey` (`supervisor_id`),
  CONSTRAINT `cellar_hand_supervisor_fkey` FOREIGN KEY (`supervisor_id`) REFERENCES `cellar_hand` (`id`),
  CONSTRAINT `cellar_hand_email_check` CHECK (`email` like '%_@_%'),
  CONSTRAINT `cellar_hand_dates_check` CHECK (`left_on` >= `hired_on`)
) ENGINE=InnoDB AUTO_INCREMENT=21 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='Someone who works in the cellar or the vineyard.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `cellar_hand`
--

LOCK TABLES `cellar_hand` WRITE;
/*!40000 ALTER TABLE `cellar_hand` DISABLE KEYS */;
INSERT INTO `cellar_hand` VALUES
(1,'Ilse Brandow','ilse.brandow@cellar.example','cellar','2002-01-01',NULL,'05:00:00',NULL),
(2,'Tomas Kerrigan','tomas.kerrigan@cellar.example','cooperage','2003-02-02',NULL,'06:30:00',1),
(3,'Mira Sollan','mira.sollan@cellar.example','laboratory','2004-03-03',NULL,'07:00:00',1),
(4,'Pavel Ortwin','pavel.ortwin@cellar.example','vineyard','2005-04-04',NULL,'08:30:00',1),
(5,'Jana Lindhurst','jana.lindhurst@cellar.example','cellar','2006-05-05',NULL,'05:00:00',1),
(6,'Rune Askeby','rune.askeby@cellar.example','cooperage','2007-06-06',NULL,'06:30:00',3),
(7,'Celia Fontmere','celia.fontmere@cellar.example','laboratory','2008-07-07',NULL,'07:00:00',4),
(8,'Oskar Veldt','oskar.veldt@cellar.example','vineyard','2009-08-08',NULL,'08:30:00',5),
(9,'Nadia Purcellan','nadia.purcellan@cellar.example','cellar','2010-09-09',NULL,'05:00:00',2),
(10,'Hugo Tamsin','hugo.tamsin@cellar.example','cooperage','2011-10-10','2014-03-28','06:30:00',3),
(11,'Vera Coldbrook','vera.coldbrook@cellar.example','laboratory','2012-11-11',NULL,'07:00:00',4),
(12,'Emil Starrow','emil.starrow@cellar.example','vineyard','2013-12-12',NULL,'08:30:00',5),
(13,'Greta Holm-Ives','greta.holm-ives@cellar.example','cellar','2014-01-13',NULL,'05:00:00',2),
(14,'Luka Dravin','luka.dravin@cellar.example','cooperage','2015-02-14',NULL,'06:30:00',3),
(15,'Signe Marlow','signe.marlow@cellar.example','laboratory','2016-03-15',NULL,'07:00:00',4),
(16,'Anton Reyhill','anton.reyhill@cellar.example','vineyard','2017-04-16',NULL,'08:30:00',5),
(17,'Bela Quist','bela.quist@cellar.example','cellar','2018-05-17',NULL,'05:00:00',2),
(18,'Dora Winfell','dora.winfell@cellar.example','cooperage','2019-06-18','2021-12-04','06:30:00',3),
(19,'Karel Amberly','karel.amberly@cellar.example','laboratory','2020-07-19',NULL,'07:00:00',4),
(20,'Wanda Eskil','wanda.eskil@cellar.example','vineyard','2021-08-20',NULL,'08:30:00',5);
/*!40000 ALTER TABLE `cellar_hand` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `cellar_log`
--

DROP TABLE IF EXISTS `cellar_log`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `cellar_log` (
  `logged_at` datetime(6) NOT NULL DEFAULT current_timestamp(6),
  `hand_id` int(11) DEFAULT NULL,
  `entry` varchar(500) NOT NULL,
  KEY `cellar_log_hand_fkey` (`hand_id`),
  KEY `cellar_log_logged_at_idx` (`logged_at`),
  CONSTRAINT `cellar_log_hand_fkey` FOREIGN KEY (`hand_id`) REFERENCES `cellar_hand` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='The day book: written to, never changed.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `cellar_log`
--

LOCK TABLES `cellar_log` WRITE;
/*!40000 ALTER TABLE `cellar_log` DISABLE KEYS */;
INSERT INTO `cellar_log` VALUES
('2024-09-01 06:00:00.000000',NULL,'Topped up the barrels in row 1.'),
('2024-09-02 07:07:00.000000',2,'Washed tank 2.'),
('2024-09-03 08:14:00.000000',3,'Tasted lot 3: patient.'),
('2024-09-04 09:21:00.000000',4,'Pump 4 serviced.'),
('2024-09-05 10:28:00.000000',5,'Topped up the barrels in row 5.'),
('2024-09-06 11:35:00.000000',NULL,'Washed tank 6.'),
('2024-09-07 12:42:00.000000',7,'Tasted lot 7: patient.'),
('2024-09-08 13:49:00.000000',8,'Pump 8 serviced.'),
('2024-09-09 14:56:00.000000',9,'Topped up the barrels in row 9.'),
('2024-09-10 15:03:00.000000',10,'Washed tank 10.'),
('2024-09-11 06:10:00.000000',NULL,'Tasted lot 11: patient.'),
('2024-09-12 07:17:00.000000',12,'Pump 12 serviced.'),
('2024-09-13 08:24:00.000000',13,'Topped up the barrels in row 13.'),
('2024-09-14 09:31:00.000000',14,'Washed tank 14.'),
('2024-09-15 10:38:00.000000',15,'Tasted lot 15: patient.'),
('2024-09-16 11:45:00.000000',NULL,'Pump 16 serviced.'),
('2024-09-17 12:52:00.000000',17,'Topped up the barrels in row 17.'),
('2024-09-18 13:59:00.000000',18,'Washed tank 18.'),
('2024-09-19 14:06:00.000000',19,'Tasted lot 19: patient.'),
('2024-09-20 15:13:00.000000',20,'Pump 20 serviced.'),
('2024-09-21 06:20:00.000000',NULL,'Topped up the barrels in row 21.'),
('2024-09-22 07:27:00.000000',2,'Washed tank 22.'),
('2024-09-23 08:34:00.000000',3,'Tasted lot 23: patient.'),
('2024-09-24 09:41:00.000000',4,'Pump 24 serviced.'),
('2024-09-25 10:48:00.000000',5,'Topped up the barrels in row 25.'),
('2024-09-26 11:55:00.000000',NULL,'Washed tank 26.'),
('2024-09-27 12:02:00.000000',7,'Tasted lot 27: patient.'),
('2024-09-28 13:09:00.000000',8,'Pump 28 serviced.'),
('2024-09-29 14:16:00.000000',9,'Topped up the barrels in row 29.'),
('2024-09-30 15:23:00.000000',10,'Washed tank 30.'),
('2026-11-23 10:53:38.159284',1,'It\'s two lines:\nand \\ a \"quote\"; -- no comment');
/*!40000 ALTER TABLE `cellar_log` ENABLE KEYS */;
UNLOCK TABLES;
/*!50003 SET @saved_cs_client      = @@character_set_client */ ;
/*!50003 SET @saved_cs_results     = @@character_set_results */ ;
/*!50003 SET @saved_col_connection = @@collation_connection */ ;
/*!50003 SET character_set_client  = utf8mb3 */ ;
/*!50003 SET character_set_results = utf8mb3 */ ;
/*!50003 SET collation_connection  = utf8mb3_general_ci */ ;
/*!50003 SET @saved_sql_mode       = @@sql_mode */ ;
/*!50003 SET sql_mode              = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_AUTO_CREATE_USER,NO_ENGINE_SUBSTITUTION' */ ;
DELIMITER ;;
/*!50003 CREATE*/ /*!50017 DEFINER=`gone`@`localhost`*/ /*!50003 TRIGGER trim_entry BEFORE INSERT ON cellar_log FOR EACH ROW BEGIN SET NEW.entry = TRIM(NEW.entry); SET @n = 1; END 
*/;;
DELIMITER ;
/*!50003 SET sql_mode              = @saved_sql_mode */ ;
/*!50003 SET character_set_client  = @saved_cs_client */ ;
/*!50003 SET character_set_results = @saved_cs_results */ ;
/*!50003 SET collation_connection  = @saved_col_connection */ ;

--
-- Temporary table structure for view `cellar_stock`
--

DROP TABLE IF EXISTS `cellar_stock`;
/*!50001 DROP VIEW IF EXISTS `cellar_stock`*/;
SET @saved_cs_client     = @@character_set_client;
SET character_set_client = utf8mb4;
/*!50001 CREATE VIEW `cellar_stock` AS SELECT
 NULL AS `code`,
 NULL AS `kind`,
 NULL AS `capacity_litres`,
 NULL AS `wine`,
 NULL AS `vintage`,
 NULL AS `litres` */;
SET character_set_client = @saved_cs_client;

--
-- Table structure for table `grape_variety`
--

DROP TABLE IF EXISTS `grape_variety`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `grape_variety` (
  `code` varchar(8) NOT NULL COMMENT 'Short code, as chalked on the vats',
  `name` varchar(60) NOT NULL,
  `colour` enum('red','white','grey') NOT NULL,
  `order` int(11) NOT NULL DEFAULT 100 COMMENT 'Place in lists; equal places sort by name',
  `synonyms` varchar(200) DEFAULT NULL,
  PRIMARY KEY (`code`),
  UNIQUE KEY `grape_variety_name_key` (`name`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='A grape variety that we grow or buy.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `grape_variety`
--

LOCK TABLES `grape_variety` WRITE;
/*!40000 ALTER TABLE `grape_variety` DISABLE KEYS */;
INSERT INTO `grape_variety` VALUES
('ARV','Arvela','red',10,NULL),
('BOS','Boskova','red',20,'Bosk, Black Boskova'),
('CIL','Cilandra','white',30,NULL),
('DUN','Dunmark Grey','grey',40,'Grey Dun'),
('ELB','Elbenso','white',50,NULL),
('FAR','Faralto','red',60,'Alto Far'),
('GRI','Grisella','grey',70,NULL),
('HAL','Hallinger','white',80,'Hall Grape'),
('IST','Istria Noire','red',90,NULL),
('JOR','Jorvina','red',100,NULL),
('KES','Kestrel White','white',110,NULL),
('LUM','Lumara','white',120,'Lumaret'),
('MOR','Morosel','red',130,NULL),
('NIV','Niveole','white',140,NULL),
('OST','Ostrava Red','red',150,'Ost');
/*!40000 ALTER TABLE `grape_variety` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `harvest`
--

DROP TABLE IF EXISTS `harvest`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `harvest` (
  `id` bigint(20) NOT NULL AUTO_INCREMENT,
  `parcel_id` int(11) NOT NULL,
  `picked_on` date NOT NULL,
  `weight_kg` decimal(9,2) NOT NULL,
  `brix` decimal(4,1) DEFAULT NULL COMMENT 'Sugar of the must, in degrees Brix',
  `by_machine` tinyint(1) NOT NULL DEFAULT 0,
  `picked_by` int(11) DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `harvest_parcel_day_key` (`parcel_id`,`picked_on`),
  KEY `harvest_picker_fkey` (`picked_by`),
  CONSTRAINT `harvest_parcel_fkey` FOREIGN KEY (`parcel_id`) REFERENCES `parcel` (`id`),
  CONSTRAINT `harvest_picker_fkey` FOREIGN KEY (`picked_by`) REFERENCES `cellar_hand` (`id`) ON DELETE SET NULL,
  CONSTRAINT `harvest_weight_check` CHECK (`weight_kg` > 0),
  CONSTRAINT `harvest_brix_check` CHECK (`brix` between 5 and 45)
) ENGINE=InnoDB AUTO_INCREMENT=37 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='What one parcel gave on one day.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `harvest`
--

LOCK TABLES `harvest` WRITE;
/*!40000 ALTER TABLE `harvest` DISABLE KEYS */;
INSERT INTO `harvest` VALUES
(1,2,'2022-09-02',5425.78,18.5,0,12),
(2,4,'2022-09-20',749.95,22.2,1,18),
(3,6,'2022-09-25',3395.04,19.5,0,NULL),
(4,8,'2022-10-01',2151.38,18.5,1,20),
(5,10,'2022-09-04',3148.67,25.0,0,20),
(6,12,'2022-09-12',3502.90,25.9,1,NULL),
(7,14,'2022-09-08',4696.12,21.0,0,1),
(8,16,'2022-10-06',1624.83,25.5,1,11),
(9,18,'2022-09-13',3937.14,NULL,0,NULL),
(10,20,'2022-09-24',2208.53,25.2,1,2),
(11,22,'2022-09-27',5518.16,21.0,0,2),
(12,24,'2022-09-27',2812.90,24.0,1,NULL),
(13,1,'2023-10-03',5247.40,25.6,0,4),
(14,3,'2023-09-16',5529.87,18.6,0,5),
(15,5,'2023-09-02',3306.98,25.9,0,4),
(16,7,'2023-09-27',4074.63,18.2,0,3),
(17,9,'2023-09-16',1952.35,NULL,0,5),
(18,11,'2023-09-07',3879.05,21.6,0,2),
(19,13,'2023-09-25',4782.58,21.9,0,19),
(20,15,'2023-09-07',3531.72,22.6,0,11),
(21,17,'2023-10-06',3882.07,21.6,0,17),
(22,19,'2023-09-01',4785.85,25.6,0,13),
(23,21,'2023-09-13',5395.39,25.0,0,9),
(24,23,'2023-09-27',5464.96,23.4,0,5),
(25,2,'2024-09-28',2183.77,19.6,0,5),
(26,4,'2024-09-19',3567.92,19.5,1,9),
(27,6,'2024-09-07',2174.01,19.5,0,NULL),
(28,8,'2024-09-10',4866.38,22.2,1,14),
(29,10,'2024-10-05',4402.80,22.3,0,2),
(30,12,'2024-09-22',699.17,23.8,1,NULL),
(31,14,'2024-09-29',2379.58,23.0,0,2),
(32,16,'2024-09-03',1241.14,18.4,1,18),
(33,18,'2024-09-15',2458.56,NULL,0,NULL),
(34,20,'2024-10-02',5552.06,19.1,1,18),
(35,22,'2024-10-04',1322.44,18.2,0,4),
(36,24,'2024-09-15',4517.84,21.7,1,NULL);
/*!40000 ALTER TABLE `harvest` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `lab_analysis`
--

DROP TABLE IF EXISTS `lab_analysis`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `lab_analysis` (
  `id` bigint(20) NOT NULL AUTO_INCREMENT,
  `wine_lot_id` uuid NOT NULL,
  `taken_at` timestamp(3) NOT NULL,
  `ph` decimal(3,2) DEFAULT NULL,
  `alcohol_volume` decimal(4,2) DEFAULT NULL,
  `celsius` float DEFAULT NULL,
  `readings` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL COMMENT 'Everything the instrument reported, as it came' CHECK (json_valid(`readings`)),
  `remarks` text DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `lab_analysis_lot_fkey` (`wine_lot_id`),
  CONSTRAINT `lab_analysis_lot_fkey` FOREIGN KEY (`wine_lot_id`) REFERENCES `wine_lot` (`id`) ON DELETE CASCADE,
  CONSTRAINT `lab_analysis_ph_check` CHECK (`ph` >= 2.5 and `ph` <= 4.5),
  CONSTRAINT `lab_analysis_alcohol_check` CHECK (`alcohol_volume` between 0 and 25)
) ENGINE=InnoDB AUTO_INCREMENT=41 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='A sample of a lot, measured in the laboratory.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `lab_analysis`
--

LOCK TABLES `lab_analysis` WRITE;
/*!40000 ALTER TABLE `lab_analysis` DISABLE KEYS */;
INSERT INTO `lab_analysis` VALUES
(1,'00000000-0000-4000-a000-000000000001','2023-02-01 09:00:00.000',3.69,NULL,NULL,NULL,'Clear; no sediment. Sample 1 kept for two weeks.'),
(2,'00000000-0000-4000-a000-000000000002','2023-02-08 09:01:00.000',3.38,11.17,13,'{\"so2_free\": 21, \"so2_total\": 61, \"malic\": 0.15}',NULL),
(3,'00000000-0000-4000-a000-000000000003','2023-02-15 09:02:00.000',3.62,13.60,14,'{\"so2_free\": 22, \"so2_total\": 62, \"malic\": 0.2}',NULL),
(4,'00000000-0000-4000-a000-000000000004','2023-02-22 09:03:00.000',3.77,11.71,15,'{\"so2_free\": 23, \"so2_total\": 63, \"malic\": 0.25}','Clear; no sediment. Sample 4 kept for two weeks.'),
(5,'00000000-0000-4000-a000-000000000005','2023-03-01 09:04:00.000',3.38,14.10,16,NULL,NULL),
(6,'00000000-0000-4000-a000-000000000006','2023-03-08 09:05:00.000',3.29,13.87,NULL,'{\"so2_free\": 25, \"so2_total\": 65, \"malic\": 0.35}',NULL),
(7,'00000000-0000-4000-a000-000000000007','2023-03-15 09:06:00.000',3.71,NULL,18,'{\"so2_free\": 26, \"so2_total\": 66, \"malic\": 0.4}','Clear; no sediment. Sample 7 kept for two weeks.'),
(8,'00000000-0000-4000-a000-000000000008','2023-03-22 09:07:00.000',3.01,14.01,12,'{\"so2_free\": 27, \"so2_total\": 67, \"malic\": 0.45}',NULL),
(9,'00000000-0000-4000-a000-000000000009','2023-03-29 09:08:00.000',3.01,13.35,13,NULL,NULL),
(10,'00000000-0000-4000-a000-000000000010','2023-04-05 09:09:00.000',3.22,12.41,14,'{\"so2_free\": 29, \"so2_total\": 69, \"malic\": 0.55}','Clear; no sediment. Sample 10 kept for two weeks.'),
(11,'00000000-0000-4000-a000-000000000011','2023-04-12 09:10:00.000',3.63,12.83,NULL,'{\"so2_free\": 30, \"so2_total\": 70, \"malic\": 0.6}',NULL),
(12,'00000000-0000-4000-a000-000000000012','2023-04-19 09:11:00.000',3.77,11.99,16,'{\"so2_free\": 31, \"so2_total\": 71, \"malic\": 0.65}',NULL),
(13,'00000000-0000-4000-a000-000000000013','2023-04-26 09:12:00.000',3.73,NULL,17,NULL,'Clear; no sediment. Sample 13 kept for two weeks.'),
(14,'00000000-0000-4000-a000-000000000014','2023-05-03 09:13:00.000',3.07,11.90,18,'{\"so2_free\": 33, \"so2_total\": 73, \"malic\": 0.75}',NULL),
(15,'00000000-0000-4000-a000-000000000015','2023-05-10 09:14:00.000',3.60,14.19,12,'{\"so2_free\": 34, \"so2_total\": 74, \"malic\": 0.8}',NULL),
(16,'00000000-0000-4000-a000-000000000016','2023-05-17 09:15:00.000',3.58,12.02,NULL,'{\"so2_free\": 20, \"so2_total\": 75, \"malic\": 0.85}','Clear; no sediment. Sample 16 kept for two weeks.'),
(17,'00000000-0000-4000-a000-000000000017','2023-05-24 09:16:00.000',3.71,11.82,14,NULL,NULL),
(18,'00000000-0000-4000-a000-000000000018','2023-05-31 09:17:00.000',3.63,11.23,15,'{\"so2_free\": 22, \"so2_total\": 77, \"malic\": 0.95}',NULL),
(19,'00000000-0000-4000-a000-000000000019','2023-06-07 09:18:00.000',3.21,NULL,16,'{\"so2_free\": 23, \"so2_total\": 78, \"malic\": 1.0}','Clear; no sediment. Sample 19 kept for two weeks.'),
(20,'00000000-0000-4000-a000-000000000020','2023-06-14 09:19:00.000',3.36,11.01,17,'{\"so2_free\": 24, \"so2_total\": 79, \"malic\": 1.05}',NULL),
(21,'00000000-0000-4000-a000-000000000021','2023-06-21 09:20:00.000',3.41,14.43,NULL,NULL,NULL),
(22,'00000000-0000-4000-a000-000000000022','2023-06-28 09:21:00.000',3.24,11.85,12,'{\"so2_free\": 26, \"so2_total\": 81, \"malic\": 1.15}','Clear; no sediment. Sample 22 kept for two weeks.'),
(23,'00000000-0000-4000-a000-000000000023','2023-07-05 09:22:00.000',3.06,11.95,13,'{\"so2_free\": 27, \"so2_total\": 82, \"malic\": 1.2}',NULL),
(24,'00000000-0000-4000-a000-000000000024','2023-07-12 09:23:00.000',3.10,13.94,14,'{\"so2_free\": 28, \"so2_total\": 83, \"malic\": 1.25}',NULL),
(25,'00000000-0000-4000-a000-000000000025','2023-07-19 09:24:00.000',3.71,NULL,15,NULL,'Clear; no sediment. Sample 25 kept for two weeks.'),
(26,'00000000-0000-4000-a000-000000000026','2023-07-26 09:25:00.000',3.34,11.96,NULL,'{\"so2_free\": 30, \"so2_total\": 85, \"malic\": 1.35}',NULL),
(27,'00000000-0000-4000-a000-000000000027','2023-08-02 09:26:00.000',3.67,11.29,17,'{\"so2_free\": 31, \"so2_total\": 86, \"malic\": 1.4}',NULL),
(28,'00000000-0000-4000-a000-000000000028','2023-08-09 09:27:00.000',3.01,12.25,18,'{\"so2_free\": 32, \"so2_total\": 87, \"malic\": 1.45}','Clear; no sediment. Sample 28 kept for two weeks.'),
(29,'00000000-0000-4000-a000-000000000029','2023-08-16 09:28:00.000',3.50,12.67,12,NULL,NULL),
(30,'00000000-0000-4000-a000-000000000030','2023-08-23 09:29:00.000',3.79,11.85,13,'{\"so2_free\": 34, \"so2_total\": 89, \"malic\": 1.55}',NULL),
(31,'00000000-0000-4000-a000-000000000001','2023-08-30 09:30:00.000',3.24,NULL,NULL,'{\"so2_free\": 20, \"so2_total\": 90, \"malic\": 1.6}','Clear; no sediment. Sample 31 kept for two weeks.'),
(32,'00000000-0000-4000-a000-000000000002','2023-09-06 09:31:00.000',3.48,12.21,15,'{\"so2_free\": 21, \"so2_total\": 91, \"malic\": 1.65}',NULL),
(33,'00000000-0000-4000-a000-000000000003','2023-09-13 09:32:00.000',3.41,14.19,16,NULL,NULL),
(34,'00000000-0000-4000-a000-000000000004','2023-09-20 09:33:00.000',3.15,11.95,17,'{\"so2_free\": 23, \"so2_total\": 93, \"malic\": 1.75}','Clear; no sediment. Sample 34 kept for two weeks.'),
(35,'00000000-0000-4000-a000-000000000005','2023-09-27 09:34:00.000',3.00,14.40,18,'{\"so2_free\": 24, \"so2_total\": 94, \"malic\": 1.8}',NULL),
(36,'00000000-0000-4000-a000-000000000006','2023-10-04 09:35:00.000',3.21,13.08,NULL,'{\"so2_free\": 25, \"so2_total\": 95, \"malic\": 1.85}',NULL),
(37,'00000000-0000-4000-a000-000000000007','2023-10-11 09:36:00.000',3.58,NULL,13,NULL,'Clear; no sediment. Sample 37 kept for two weeks.'),
(38,'00000000-0000-4000-a000-000000000008','2023-10-18 09:37:00.000',3.08,13.24,14,'{\"so2_free\": 27, \"so2_total\": 97, \"malic\": 1.95}',NULL),
(39,'00000000-0000-4000-a000-000000000009','2023-10-25 09:38:00.000',3.78,12.37,15,'{\"so2_free\": 28, \"so2_total\": 98, \"malic\": 2.0}',NULL),
(40,'00000000-0000-4000-a000-000000000010','2023-11-01 09:39:00.000',3.58,11.98,16,'{\"so2_free\": 29, \"so2_total\": 99, \"malic\": 2.05}','Clear; no sediment. Sample 40 kept for two weeks.');
/*!40000 ALTER TABLE `lab_analysis` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `label`
--

DROP TABLE IF EXISTS `label`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `label` (
  `id` int(11) NOT NULL AUTO_INCREMENT,
  `title` varchar(60) NOT NULL,
  `language_code` char(2) NOT NULL DEFAULT 'en',
  `back_text` varchar(1000) DEFAULT NULL,
  `picture` blob DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `label_title_language_key` (`title`,`language_code`)
) ENGINE=InnoDB AUTO_INCREMENT=25 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='What is glued on the bottle.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `label`
--

LOCK TABLES `label` WRITE;
/*!40000 ALTER TABLE `label` DISABLE KEYS */;
INSERT INTO `label` VALUES
(1,'Harvest Moon','en',NULL,NULL),
(2,'Harvest Moon','de','A blend of our own lots, Harvest Moon.','‰PNG\r\n\Z\n\0'),
(3,'First Frost','en','A blend of our own lots, First Frost.',NULL),
(4,'First Frost','de',NULL,'‰PNG\r\n\Z\n\0'),
(5,'Old Bridge','en','A blend of our own lots, Old Bridge.',NULL),
(6,'Old Bridge','de','A blend of our own lots, Old Bridge.','‰PNG\r\n\Z\n\0'),
(7,'Quiet Cellar','en',NULL,NULL),
(8,'Quiet Cellar','de','A blend of our own lots, Quiet Cellar.','‰PNG\r\n\Z\n\0'),
(9,'Stone Path','en','A blend of our own lots, Stone Path.',NULL),
(10,'Stone Path','de',NULL,'‰PNG\r\n\Z\n\0	'),
(11,'Tall Grass','en','A blend of our own lots, Tall Grass.',NULL),
(12,'Tall Grass','de','A blend of our own lots, Tall Grass.','‰PNG\r\n\Z\n\0'),
(13,'Winter Light','en',NULL,NULL),
(14,'Winter Light','de','A blend of our own lots, Winter Light.','‰PNG\r\n\Z\n\0\r'),
(15,'Red Barn','en','A blend of our own lots, Red Barn.',NULL),
(16,'Red Barn','de',NULL,'‰PNG\r\n\Z\n\0'),
(17,'Blue Hour','en','A blend of our own lots, Blue Hour.',NULL),
(18,'Blue Hour','de','A blend of our own lots, Blue Hour.','‰PNG\r\n\Z\n\0'),
(19,'Slow River','en',NULL,NULL),
(20,'Slow River','de','A blend of our own lots, Slow River.','‰PNG\r\n\Z\n\0'),
(21,'Copper Leaf','en','A blend of our own lots, Copper Leaf.',NULL),
(22,'Copper Leaf','de',NULL,'‰PNG\r\n\Z\n\0'),
(23,'Evening Bell','en','A blend of our own lots, Evening Bell.',NULL),
(24,'Evening Bell','de','A blend of our own lots, Evening Bell.','‰PNG\r\n\Z\n\0');
/*!40000 ALTER TABLE `label` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `parcel`
--

DROP TABLE IF EXISTS `parcel`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `parcel` (
  `id` int(11) NOT NULL AUTO_INCREMENT,
  `name` varchar(80) NOT NULL,
  `variety_code` varchar(8) NOT NULL,
  `area_ha` decimal(6,3) NOT NULL COMMENT 'Area in hectares',
  `slope_percent` smallint(6) DEFAULT NULL,
  `soil` enum('chalk','clay','gravel','loam','sand','slate') NOT NULL DEFAULT 'loam',
  `planted_on` date DEFAULT NULL,
  `organic` tinyint(1) NOT NULL DEFAULT 0,
  `latitude` double DEFAULT NULL,
  `longitude` double DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `parcel_name_key` (`name`),
  KEY `parcel_variety_fkey` (`variety_code`),
  CONSTRAINT `parcel_variety_fkey` FOREIGN KEY (`variety_code`) REFERENCES `grape_variety` (`code`),
  CONSTRAINT `parcel_area_check` CHECK (`area_ha` > 0),
  CONSTRAINT `parcel_slope_check` CHECK (`slope_percent` between 0 and 100),
  CONSTRAINT `parcel_latitude_check` CHECK (`latitude` between -90 and 90),
  CONSTRAINT `parcel_longitude_check` CHECK (`longitude` between -180 and 180)
) ENGINE=InnoDB AUTO_INCREMENT=25 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='A piece of vineyard planted with one variety.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `parcel`
--

LOCK TABLES `parcel` WRITE;
/*!40000 ALTER TABLE `parcel` DISABLE KEYS */;
INSERT INTO `parcel` VALUES
(1,'Abbot\'s Ledge','ARV',1.357,NULL,'chalk',NULL,1,47.1,8.2),
(2,'Barn Field','BOS',2.670,32,'clay','2006-04-10',0,47.1031,8.2047),
(3,'Crow Hill','CIL',1.563,10,'gravel','2003-03-11',0,47.1062,8.2094),
(4,'Dry Brook','DUN',3.003,26,'loam','2018-04-26',1,47.1093,8.2141),
(5,'East Terrace','ELB',3.701,15,'sand','1981-05-22',0,47.1124,8.2188),
(6,'Fox Run','FAR',1.763,NULL,'slate','1985-03-16',0,47.1155,8.2235),
(7,'Gate Piece','GRI',3.754,40,'chalk','2015-04-10',1,47.1186,8.2282),
(8,'High Wall','HAL',2.712,8,'clay',NULL,0,47.1217,8.2329),
(9,'Ivy Bank','IST',0.794,26,'gravel','2007-03-28',0,47.1248,8.2376),
(10,'Juniper Slope','JOR',3.577,8,'loam','1991-05-21',1,47.1279,8.2423),
(11,'Kiln Close','KES',1.587,NULL,'sand','1987-04-12',0,47.131,8.247),
(12,'Long Rows','LUM',3.041,39,'slate','2000-03-26',0,47.1341,8.2517),
(13,'Mill Side','MOR',3.081,14,'chalk','1986-03-20',1,47.1372,8.2564),
(14,'North Bench','NIV',2.279,18,'clay','1984-05-18',0,47.1403,8.2611),
(15,'Old Orchard','OST',0.597,16,'gravel',NULL,0,47.1434,8.2658),
(16,'Pebble Bed','ARV',1.979,NULL,'loam','2017-03-20',1,47.1465,8.2705),
(17,'Quarry Top','BOS',3.556,1,'sand','1989-04-13',0,47.1496,8.2752),
(18,'Rook Wood','CIL',1.748,38,'slate','2009-04-14',0,47.1527,8.2799),
(19,'South Bench','DUN',2.308,43,'chalk','1989-03-25',1,47.1558,8.2846),
(20,'Thorn Patch','ELB',2.635,21,'clay','2016-04-02',0,47.1589,8.2893),
(21,'Upper Spring','FAR',3.897,NULL,'gravel','2016-05-16',0,47.162,8.294),
(22,'Vicar\'s Acre','GRI',2.642,40,'loam',NULL,1,47.1651,8.2987),
(23,'West Terrace','HAL',2.664,0,'sand','2010-04-11',0,47.1682,8.3034),
(24,'Yew Corner','IST',4.269,38,'slate','2012-04-28',0,47.1713,8.3081);
/*!40000 ALTER TABLE `parcel` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `vessel`
--

DROP TABLE IF EXISTS `vessel`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `vessel` (
  `id` int(11) NOT NULL AUTO_INCREMENT,
  `code` varchar(12) NOT NULL,
  `kind` enum('tank','barrel','amphora','egg') NOT NULL,
  `capacity_litres` int(11) NOT NULL,
  `toast` enum('light','medium','heavy') DEFAULT NULL COMMENT 'How far the staves were toasted; barrels only',
  `bought_on` date DEFAULT NULL,
  `in_use` tinyint(1) NOT NULL DEFAULT 1,
  PRIMARY KEY (`id`),
  UNIQUE KEY `vessel_code_key` (`code`),
  CONSTRAINT `vessel_capacity_check` CHECK (`capacity_litres` between 20 and 100000)
) ENGINE=InnoDB AUTO_INCREMENT=31 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='Anything that holds wine: a tank, a barrel, an amphora or a concrete egg.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `vessel`
--

LOCK TABLES `vessel` WRITE;
/*!40000 ALTER TABLE `vessel` DISABLE KEYS */;
INSERT INTO `vessel` VALUES
(1,'T-01','tank',5000,NULL,NULL,1),
(2,'B-02','barrel',225,'medium','2009-02-10',1),
(3,'B-03','barrel',225,'heavy','2010-03-10',1),
(4,'A-04','amphora',800,NULL,'2011-04-10',1),
(5,'B-05','barrel',225,'medium','2012-05-10',1),
(6,'E-06','egg',900,NULL,'2013-06-10',1),
(7,'T-07','tank',5000,NULL,'2014-07-10',1),
(8,'B-08','barrel',225,'medium','2015-08-10',1),
(9,'B-09','barrel',225,'heavy',NULL,1),
(10,'A-10','amphora',800,NULL,'2017-10-10',1),
(11,'B-11','barrel',225,'medium','2018-11-10',1),
(12,'E-12','egg',900,NULL,'2019-12-10',1),
(13,'T-13','tank',5000,NULL,'2020-01-10',1),
(14,'B-14','barrel',225,'medium','2021-02-10',1),
(15,'B-15','barrel',225,'heavy','2008-03-10',1),
(16,'A-16','amphora',800,NULL,'2009-04-10',1),
(17,'B-17','barrel',225,'medium',NULL,1),
(18,'E-18','egg',900,NULL,'2011-06-10',1),
(19,'T-19','tank',5000,NULL,'2012-07-10',1),
(20,'B-20','barrel',225,'medium','2013-08-10',1),
(21,'B-21','barrel',225,'heavy','2014-09-10',1),
(22,'A-22','amphora',800,NULL,'2015-10-10',1),
(23,'B-23','barrel',225,'medium','2016-11-10',1),
(24,'E-24','egg',900,NULL,'2017-12-10',1),
(25,'T-25','tank',5000,NULL,NULL,1),
(26,'B-26','barrel',225,'medium','2019-02-10',1),
(27,'B-27','barrel',225,'heavy','2020-03-10',1),
(28,'A-28','amphora',800,NULL,'2021-04-10',1),
(29,'B-29','barrel',225,'medium','2008-05-10',0),
(30,'E-30','egg',900,NULL,'2009-06-10',1);
/*!40000 ALTER TABLE `vessel` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `vessel_transfer`
--

DROP TABLE IF EXISTS `vessel_transfer`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `vessel_transfer` (
  `id` bigint(20) NOT NULL AUTO_INCREMENT,
  `from` int(11) NOT NULL,
  `to` int(11) NOT NULL,
  `litres` decimal(9,2) NOT NULL,
  `moved_at` datetime NOT NULL,
  `moved_by` int(11) NOT NULL,
  `reason` varchar(200) DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `vessel_transfer_from_fkey` (`from`),
  KEY `vessel_transfer_to_fkey` (`to`),
  KEY `vessel_transfer_hand_fkey` (`moved_by`),
  KEY `vessel_transfer_moved_at_idx` (`moved_at`),
  CONSTRAINT `vessel_transfer_from_fkey` FOREIGN KEY (`from`) REFERENCES `vessel` (`id`),
  CONSTRAINT `vessel_transfer_hand_fkey` FOREIGN KEY (`moved_by`) REFERENCES `cellar_hand` (`id`),
  CONSTRAINT `vessel_transfer_to_fkey` FOREIGN KEY (`to`) REFERENCES `vessel` (`id`),
  CONSTRAINT `vessel_transfer_litres_check` CHECK (`litres` > 0),
  CONSTRAINT `vessel_transfer_ends_check` CHECK (`from` <> `to`)
) ENGINE=InnoDB AUTO_INCREMENT=41 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='Wine moved from one vessel to another.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `vessel_transfer`
--

LOCK TABLES `vessel_transfer` WRITE;
/*!40000 ALTER TABLE `vessel_transfer` DISABLE KEYS */;
INSERT INTO `vessel_transfer` VALUES
(1,4,29,297.25,'2023-01-10 07:15:00',1,NULL),
(2,12,15,292.27,'2023-01-19 08:15:00',2,'Racking'),
(3,30,3,342.38,'2023-01-28 09:15:00',3,'Topping up'),
(4,23,25,50.36,'2023-02-06 10:15:00',4,'Blend trial'),
(5,29,23,142.29,'2023-02-15 11:15:00',5,NULL),
(6,21,12,370.96,'2023-02-24 12:15:00',6,'Racking'),
(7,30,2,101.81,'2023-03-05 13:15:00',7,'Topping up'),
(8,19,22,85.26,'2023-03-14 14:15:00',8,'Blend trial'),
(9,13,2,337.64,'2023-03-23 15:15:00',9,NULL),
(10,24,13,234.88,'2023-04-01 07:15:00',10,'Racking'),
(11,14,5,373.13,'2023-04-10 08:15:00',11,'Topping up'),
(12,30,26,77.04,'2023-04-19 09:15:00',12,'Blend trial'),
(13,27,17,375.34,'2023-04-28 10:15:00',13,NULL),
(14,30,28,398.01,'2023-05-07 11:15:00',14,'Racking'),
(15,11,4,299.37,'2023-05-16 12:15:00',15,'Topping up'),
(16,2,23,406.36,'2023-05-25 13:15:00',16,'Blend trial'),
(17,22,18,394.37,'2023-06-03 14:15:00',17,NULL),
(18,6,10,247.55,'2023-06-12 15:15:00',18,'Racking'),
(19,27,2,361.68,'2023-06-21 07:15:00',19,'Topping up'),
(20,14,17,319.88,'2023-06-30 08:15:00',20,'Blend trial'),
(21,4,1,305.19,'2023-07-09 09:15:00',1,NULL),
(22,11,7,205.73,'2023-07-18 10:15:00',2,'Racking'),
(23,16,17,213.66,'2023-07-27 11:15:00',3,'Topping up'),
(24,5,3,90.27,'2023-08-05 12:15:00',4,'Blend trial'),
(25,10,23,245.48,'2023-08-14 13:15:00',5,NULL),
(26,5,2,184.77,'2023-08-23 14:15:00',6,'Racking'),
(27,9,20,119.65,'2023-09-01 15:15:00',7,'Topping up'),
(28,9,27,153.87,'2023-09-10 07:15:00',8,'Blend trial'),
(29,1,10,315.83,'2023-09-19 08:15:00',9,NULL),
(30,9,24,121.20,'2023-09-28 09:15:00',10,'Racking'),
(31,20,10,263.65,'2023-10-07 10:15:00',11,'Topping up'),
(32,29,5,25.03,'2023-10-16 11:15:00',12,'Blend trial'),
(33,19,29,124.66,'2023-10-25 12:15:00',13,NULL),
(34,22,3,112.73,'2023-11-03 13:15:00',14,'Racking'),
(35,14,17,63.03,'2023-11-12 14:15:00',15,'Topping up'),
(36,19,3,169.37,'2023-11-21 15:15:00',16,'Blend trial'),
(37,27,4,174.47,'2023-11-30 07:15:00',17,NULL),
(38,26,28,167.38,'2023-12-09 08:15:00',18,'Racking'),
(39,15,22,180.20,'2023-12-18 09:15:00',19,'Topping up'),
(40,9,3,152.56,'2023-12-27 10:15:00',20,'Blend trial');
/*!40000 ALTER TABLE `vessel_transfer` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `wine_lot`
--

DROP TABLE IF EXISTS `wine_lot`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `wine_lot` (
  `id` uuid NOT NULL DEFAULT uuid(),
  `name` varchar(80) NOT NULL,
  `vintage` smallint(6) NOT NULL,
  `vessel_id` int(11) DEFAULT NULL,
  `litres` decimal(9,2) NOT NULL,
  `filled_on` date NOT NULL,
  `emptied_on` date DEFAULT NULL,
  `created_at` timestamp(3) NOT NULL DEFAULT current_timestamp(3),
  PRIMARY KEY (`id`),
  UNIQUE KEY `wine_lot_name_vintage_key` (`name`,`vintage`),
  KEY `wine_lot_vessel_fkey` (`vessel_id`),
  CONSTRAINT `wine_lot_vessel_fkey` FOREIGN KEY (`vessel_id`) REFERENCES `vessel` (`id`),
  CONSTRAINT `wine_lot_vintage_check` CHECK (`vintage` between 1950 and 2100),
  CONSTRAINT `wine_lot_litres_check` CHECK (`litres` >= 0),
  CONSTRAINT `wine_lot_dates_check` CHECK (`emptied_on` >= `filled_on`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='Wine that is kept together, from the press to the blend.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `wine_lot`
--

LOCK TABLES `wine_lot` WRITE;
/*!40000 ALTER TABLE `wine_lot` DISABLE KEYS */;
INSERT INTO `wine_lot` VALUES
('00000000-0000-4000-a000-000000000001','Dawn',2022,1,1145.83,'2022-10-05','2023-07-18','2022-10-05 06:00:00.000'),
('00000000-0000-4000-a000-000000000002','Ember',2022,2,3507.64,'2022-10-01','2023-07-06','2022-10-01 06:01:00.000'),
('00000000-0000-4000-a000-000000000003','Flint',2022,3,1600.54,'2022-10-13','2023-07-07','2022-10-13 06:02:00.000'),
('00000000-0000-4000-a000-000000000004','Harbour',2022,4,3068.90,'2022-10-20','2023-06-14','2022-10-20 06:03:00.000'),
('00000000-0000-4000-a000-000000000005','Lantern',2022,5,3161.84,'2022-10-21','2023-08-06','2022-10-21 06:04:00.000'),
('00000000-0000-4000-a000-000000000006','Meadow',2022,6,195.71,'2022-10-17','2023-07-02','2022-10-17 06:05:00.000'),
('00000000-0000-4000-a000-000000000007','Ridge',2022,7,483.93,'2022-10-11','2023-06-18','2022-10-11 06:06:00.000'),
('00000000-0000-4000-a000-000000000008','Silver',2022,8,1413.62,'2022-10-17','2023-05-30','2022-10-17 06:07:00.000'),
('00000000-0000-4000-a000-000000000009','Thistle',2022,9,1417.49,'2022-10-18','2023-06-08','2022-10-18 06:08:00.000'),
('00000000-0000-4000-a000-000000000010','Willow',2022,10,3542.90,'2022-10-27','2023-07-04','2022-10-27 06:09:00.000'),
('00000000-0000-4000-a000-000000000011','Dawn',2023,NULL,1598.30,'2023-10-18','2024-07-14','2023-10-18 06:10:00.000'),
('00000000-0000-4000-a000-000000000012','Ember',2023,12,2990.13,'2023-10-06','2024-06-22','2023-10-06 06:11:00.000'),
('00000000-0000-4000-a000-000000000013','Flint',2023,13,4111.54,'2023-10-22','2024-07-19','2023-10-22 06:12:00.000'),
('00000000-0000-4000-a000-000000000014','Harbour',2023,14,1199.60,'2023-10-21','2024-07-31','2023-10-21 06:13:00.000'),
('00000000-0000-4000-a000-000000000015','Lantern',2023,15,2762.54,'2023-10-07',NULL,'2023-10-07 06:14:00.000'),
('00000000-0000-4000-a000-000000000016','Meadow',2023,16,489.28,'2023-10-15',NULL,'2023-10-15 06:15:00.000'),
('00000000-0000-4000-a000-000000000017','Ridge',2023,17,988.22,'2023-10-09',NULL,'2023-10-09 06:16:00.000'),
('00000000-0000-4000-a000-000000000018','Silver',2023,18,2844.63,'2023-10-13',NULL,'2023-10-13 06:17:00.000'),
('00000000-0000-4000-a000-000000000019','Thistle',2023,19,1737.38,'2023-10-10',NULL,'2023-10-10 06:18:00.000'),
('00000000-0000-4000-a000-000000000020','Willow',2023,20,3270.46,'2023-10-21',NULL,'2023-10-21 06:19:00.000'),
('00000000-0000-4000-a000-000000000021','Dawn',2024,21,3398.04,'2024-10-28',NULL,'2024-10-28 06:20:00.000'),
('00000000-0000-4000-a000-000000000022','Ember',2024,NULL,1617.06,'2024-10-28',NULL,'2024-10-28 06:21:00.000'),
('00000000-0000-4000-a000-000000000023','Flint',2024,23,459.84,'2024-10-21',NULL,'2024-10-21 06:22:00.000'),
('00000000-0000-4000-a000-000000000024','Harbour',2024,24,3800.81,'2024-10-02',NULL,'2024-10-02 06:23:00.000'),
('00000000-0000-4000-a000-000000000025','Lantern',2024,25,4169.19,'2024-10-14',NULL,'2024-10-14 06:24:00.000'),
('00000000-0000-4000-a000-000000000026','Meadow',2024,26,3406.71,'2024-10-12',NULL,'2024-10-12 06:25:00.000'),
('00000000-0000-4000-a000-000000000027','Ridge',2024,27,2496.79,'2024-10-07',NULL,'2024-10-07 06:26:00.000'),
('00000000-0000-4000-a000-000000000028','Silver',2024,28,3647.84,'2024-10-09',NULL,'2024-10-09 06:27:00.000'),
('00000000-0000-4000-a000-000000000029','Thistle',2024,29,1089.20,'2024-10-09',NULL,'2024-10-09 06:28:00.000'),
('00000000-0000-4000-a000-000000000030','Willow',2024,30,2014.72,'2024-10-02',NULL,'2024-10-02 06:29:00.000');
/*!40000 ALTER TABLE `wine_lot` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `wine_lot_harvest`
--

DROP TABLE IF EXISTS `wine_lot_harvest`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `wine_lot_harvest` (
  `wine_lot_id` uuid NOT NULL,
  `harvest_id` bigint(20) NOT NULL,
  PRIMARY KEY (`wine_lot_id`,`harvest_id`),
  KEY `wine_lot_harvest_harvest_fkey` (`harvest_id`),
  CONSTRAINT `wine_lot_harvest_harvest_fkey` FOREIGN KEY (`harvest_id`) REFERENCES `harvest` (`id`),
  CONSTRAINT `wine_lot_harvest_lot_fkey` FOREIGN KEY (`wine_lot_id`) REFERENCES `wine_lot` (`id`) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='Which harvests went into which lot.';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `wine_lot_harvest`
--

LOCK TABLES `wine_lot_harvest` WRITE;
/*!40000 ALTER TABLE `wine_lot_harvest` DISABLE KEYS */;
INSERT INTO `wine_lot_harvest` VALUES
('00000000-0000-4000-a000-000000000001',1),
('00000000-0000-4000-a000-000000000001',6),
('00000000-0000-4000-a000-000000000002',2),
('00000000-0000-4000-a000-000000000003',3),
('00000000-0000-4000-a000-000000000004',4),
('00000000-0000-4000-a000-000000000004',9),
('00000000-0000-4000-a000-000000000005',5),
('00000000-0000-4000-a000-000000000006',6),
('00000000-0000-4000-a000-000000000007',7),
('00000000-0000-4000-a000-000000000007',12),
('00000000-0000-4000-a000-000000000008',8),
('00000000-0000-4000-a000-000000000009',9),
('00000000-0000-4000-a000-000000000010',3),
('00000000-0000-4000-a000-000000000010',10),
('00000000-0000-4000-a000-000000000011',23),
('00000000-0000-4000-a000-000000000012',24),
('00000000-0000-4000-a000-000000000013',13),
('00000000-0000-4000-a000-000000000013',18),
('00000000-0000-4000-a000-000000000014',14),
('00000000-0000-4000-a000-000000000015',15),
('00000000-0000-4000-a000-000000000016',16),
('00000000-0000-4000-a000-000000000016',21),
('00000000-0000-4000-a000-000000000017',17),
('00000000-0000-4000-a000-000000000018',18),
('00000000-0000-4000-a000-000000000019',19),
('00000000-0000-4000-a000-000000000019',24),
('00000000-0000-4000-a000-000000000020',20),
('00000000-0000-4000-a000-000000000021',33),
('00000000-0000-4000-a000-000000000022',27),
('00000000-0000-4000-a000-000000000022',34),
('00000000-0000-4000-a000-000000000023',35),
('00000000-0000-4000-a000-000000000024',36),
('00000000-0000-4000-a000-000000000025',25),
('00000000-0000-4000-a000-000000000025',30),
('00000000-0000-4000-a000-000000000026',26),
('00000000-0000-4000-a000-000000000027',27),
('00000000-0000-4000-a000-000000000028',28),
('00000000-0000-4000-a000-000000000028',33),
('00000000-0000-4000-a000-000000000029',29),
('00000000-0000-4000-a000-000000000030',30);
/*!40000 ALTER TABLE `wine_lot_harvest` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Dumping routines for database 'cellar'
--
/*!50003 SET @saved_sql_mode       = @@sql_mode */ ;
/*!50003 SET sql_mode              = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_AUTO_CREATE_USER,NO_ENGINE_SUBSTITUTION' */ ;
/*!50003 DROP PROCEDURE IF EXISTS `one` */;
/*!50003 SET @saved_cs_client      = @@character_set_client */ ;
/*!50003 SET @saved_cs_results     = @@character_set_results */ ;
/*!50003 SET @saved_col_connection = @@collation_connection */ ;
/*!50003 SET character_set_client  = utf8mb3 */ ;
/*!50003 SET character_set_results = utf8mb3 */ ;
/*!50003 SET collation_connection  = utf8mb3_general_ci */ ;
DELIMITER ;;
CREATE DEFINER=`gone`@`localhost` PROCEDURE `one`()
BEGIN SELECT 1; SELECT 2; END
;;
DELIMITER ;
/*!50003 SET sql_mode              = @saved_sql_mode */ ;
/*!50003 SET character_set_client  = @saved_cs_client */ ;
/*!50003 SET character_set_results = @saved_cs_results */ ;
/*!50003 SET collation_connection  = @saved_col_connection */ ;

--
-- Current Database: `cellar`
--

USE `cellar`;

--
-- Final view structure for view `cellar_stock`
--

/*!50001 DROP VIEW IF EXISTS `cellar_stock`*/;
/*!50001 SET @saved_cs_client          = @@character_set_client */;
/*!50001 SET @saved_cs_results         = @@character_set_results */;
/*!50001 SET @saved_col_connection     = @@collation_connection */;
/*!50001 SET character_set_client      = utf8mb3 */;
/*!50001 SET character_set_results     = utf8mb3 */;
/*!50001 SET collation_connection      = utf8mb3_general_ci */;
/*!50001 CREATE ALGORITHM=UNDEFINED */
/*!50013 DEFINER=`gone`@`localhost` SQL SECURITY DEFINER */
/*!50001 VIEW `cellar_stock` AS select `v`.`code` AS `code`,`v`.`kind` AS `kind`,`v`.`capacity_litres` AS `capacity_litres`,`l`.`name` AS `wine`,`l`.`vintage` AS `vintage`,`l`.`litres` AS `litres` from (`vessel` `v` join `wine_lot` `l` on(`l`.`vessel_id` = `v`.`id`)) where `l`.`emptied_on` is null */;
/*!50001 SET character_set_client      = @saved_cs_client */;
/*!50001 SET character_set_results     = @saved_cs_results */;
/*!50001 SET collation_connection      = @saved_col_connection */;
/*!40103 SET TIME_ZONE=@OLD_TIME_ZONE */;

/*!40101 SET SQL_MODE=@OLD_SQL_MODE */;
/*!40014 SET FOREIGN_KEY_CHECKS=@OLD_FOREIGN_KEY_CHECKS */;
/*!40014 SET UNIQUE_CHECKS=@OLD_UNIQUE_CHECKS */;
/*!40101 SET CHARACTER_SET_CLIENT=@OLD_CHARACTER_SET_CLIENT */;
/*!40101 SET CHARACTER_SET_RESULTS=@OLD_CHARACTER_SET_RESULTS */;
/*!40101 SET COLLATION_CONNECTION=@OLD_COLLATION_CONNECTION */;
/*!40111 SET SQL_NOTES=@OLD_SQL_NOTES */;

-- Dump completed on 2026-11-23 10:53:38
