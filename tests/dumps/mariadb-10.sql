/*M!999999\- enable the sandbox mode */ 
-- MariaDB dump 10.19  Distrib 10.11.19-MariaDB, for debian-linux-gnu (x86_64)
--
-- Host: localhost    Database: harbour
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
-- Sequence structure for `ticket`
--

DROP SEQUENCE IF EXISTS `ticket`;
CREATE SEQUENCE `ticket` start with 100 minvalue 1 maxvalue 9223372036854775806 increment by 5 cache 1000 nocycle ENGINE=InnoDB;
DO SETVAL(`ticket`, 5100, 0);

--
-- Table structure for table `boat`
--

DROP TABLE IF EXISTS `boat`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `boat` (
  `sign` varchar(10) NOT NULL,
  `station_id` int(10) unsigned DEFAULT NULL,
  `length_m` double DEFAULT NULL,
  `length_ft` double GENERATED ALWAYS AS (`length_m` * 3.28084) STORED,
  `wind` float DEFAULT NULL,
  `photo` blob DEFAULT NULL,
  `token` binary(4) DEFAULT NULL,
  `mark` varbinary(20) DEFAULT NULL,
  `notes` longtext DEFAULT NULL,
  `spare` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`spare`)),
  `at` point DEFAULT NULL,
  PRIMARY KEY (`sign`),
  KEY `station_id` (`station_id`),
  FULLTEXT KEY `notes_words` (`notes`),
  CONSTRAINT `boat_station` FOREIGN KEY (`station_id`) REFERENCES `station` (`id`) ON DELETE SET NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `boat`
--

LOCK TABLES `boat` WRITE;
/*!40000 ALTER TABLE `boat` DISABLE KEYS */;
INSERT INTO `boat` VALUES
('AB1',1,0.1,0.32808400000000004,1.5,'\0�\'\\\n\r\Z\"','\0','','line\nbreak \\ and \r\n(1,\'x\'),(2','{\"b\": 1.10, \"a\": null}','\0\0\0\0\0\0\0\0\0\0\0\0\0�?\0\0\0\0\0\0\0@'),
('AB2',NULL,-1e300,-3.28084e300,NULL,'','\'\'\'\'','�','-- Dump completed on 2026-01-01\n',NULL,NULL),
('AB3',2,5e-324,1.5e-323,3.4e38,NULL,NULL,NULL,'','[]',NULL);
/*!40000 ALTER TABLE `boat` ENABLE KEYS */;
UNLOCK TABLES;
/*!50003 SET @saved_cs_client      = @@character_set_client */ ;
/*!50003 SET @saved_cs_results     = @@character_set_results */ ;
/*!50003 SET @saved_col_connection = @@collation_connection */ ;
/*!50003 SET character_set_client  = utf8mb4 */ ;
/*!50003 SET character_set_results = utf8mb4 */ ;
/*!50003 SET collation_connection  = utf8mb4_general_ci */ ;
/*!50003 SET @saved_sql_mode       = @@sql_mode */ ;
/*!50003 SET sql_mode              = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_AUTO_CREATE_USER,NO_ENGINE_SUBSTITUTION' */ ;
DELIMITER ;;
/*!50003 CREATE*/ /*!50017 DEFINER=`root`@`localhost`*/ /*!50003 TRIGGER boat_check BEFORE INSERT ON boat FOR EACH ROW
BEGIN
  
  IF NEW.sign = 'x;y' THEN SET NEW.notes = 'it''s "odd"'; END IF;
END 
*/;;
DELIMITER ;
/*!50003 SET sql_mode              = @saved_sql_mode */ ;
/*!50003 SET character_set_client  = @saved_cs_client */ ;
/*!50003 SET character_set_results = @saved_cs_results */ ;
/*!50003 SET collation_connection  = @saved_col_connection */ ;

--
-- Temporary table structure for view `busy`
--

DROP TABLE IF EXISTS `busy`;
/*!50001 DROP VIEW IF EXISTS `busy`*/;
SET @saved_cs_client     = @@character_set_client;
SET character_set_client = utf8mb4;
/*!50001 CREATE VIEW `busy` AS SELECT
 NULL AS `name`,
 NULL AS `n` */;
SET character_set_client = @saved_cs_client;

--
-- Table structure for table `empty_table`
--

DROP TABLE IF EXISTS `empty_table`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `empty_table` (
  `a` int(11) DEFAULT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `empty_table`
--

LOCK TABLES `empty_table` WRITE;
/*!40000 ALTER TABLE `empty_table` DISABLE KEYS */;
/*!40000 ALTER TABLE `empty_table` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `kept`
--

DROP TABLE IF EXISTS `kept`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `kept` (
  `x` int(11) DEFAULT NULL,
  `note` text DEFAULT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci WITH SYSTEM VERSIONING;
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `kept`
--

LOCK TABLES `kept` WRITE;
/*!40000 ALTER TABLE `kept` DISABLE KEYS */;
INSERT INTO `kept` VALUES
(1,'changed'),
(2,'second');
/*!40000 ALTER TABLE `kept` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `odd ``name``; INSERT INTO`
--

DROP TABLE IF EXISTS `odd ``name``; INSERT INTO`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `odd ``name``; INSERT INTO` (
  `select` int(11) NOT NULL,
  `a b` text DEFAULT NULL,
  PRIMARY KEY (`select`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `odd ``name``; INSERT INTO`
--

LOCK TABLES `odd ``name``; INSERT INTO` WRITE;
/*!40000 ALTER TABLE `odd ``name``; INSERT INTO` DISABLE KEYS */;
INSERT INTO `odd ``name``; INSERT INTO` VALUES
(1,'INSERT INTO `boat` VALUES (1);'),
(2,NULL),
(3,'');
/*!40000 ALTER TABLE `odd ``name``; INSERT INTO` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `seed`
--

DROP TABLE IF EXISTS `seed`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `seed` (
  `id` int(11) NOT NULL,
  `label` varchar(40) DEFAULT NULL,
  PRIMARY KEY (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `seed`
--

LOCK TABLES `seed` WRITE;
/*!40000 ALTER TABLE `seed` DISABLE KEYS */;
INSERT INTO `seed` VALUES
(-3,''),
(1,'kelp'),
(2,'dulse');
/*!40000 ALTER TABLE `seed` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `seed_lot`
--

DROP TABLE IF EXISTS `seed_lot`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `seed_lot` (
  `id` int(11) NOT NULL,
  `seed_id` int(11) DEFAULT NULL,
  `label` varchar(40) DEFAULT NULL,
  PRIMARY KEY (`id`),
  KEY `seed_id` (`seed_id`),
  CONSTRAINT `seed_lot_ibfk_1` FOREIGN KEY (`seed_id`) REFERENCES `seed` (`id`)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci;
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `seed_lot`
--

LOCK TABLES `seed_lot` WRITE;
/*!40000 ALTER TABLE `seed_lot` DISABLE KEYS */;
INSERT INTO `seed_lot` VALUES
(1,2,'lot 1'),
(2,1,'lot 2'),
(3,2,'lot 3'),
(4,1,'lot 4'),
(5,2,'lot 5'),
(6,1,'lot 6'),
(7,2,'lot 7'),
(8,1,'lot 8'),
(9,2,'lot 9'),
(10,1,'lot 10'),
(11,2,'lot 11'),
(12,1,'lot 12'),
(13,2,'lot 13'),
(14,1,'lot 14'),
(15,2,'lot 15'),
(16,1,'lot 16'),
(17,2,'lot 17'),
(18,1,'lot 18'),
(19,2,'lot 19'),
(20,1,'lot 20'),
(21,2,'lot 21'),
(22,1,'lot 22'),
(23,2,'lot 23'),
(24,1,'lot 24'),
(25,2,'lot 25'),
(26,1,'lot 26'),
(27,2,'lot 27'),
(28,1,'lot 28'),
(29,2,'lot 29'),
(30,1,'lot 30'),
(31,2,'lot 31'),
(32,1,'lot 32'),
(33,2,'lot 33'),
(34,1,'lot 34'),
(35,2,'lot 35'),
(36,1,'lot 36'),
(37,2,'lot 37'),
(38,1,'lot 38'),
(39,2,'lot 39'),
(40,1,'lot 40'),
(41,2,'lot 41'),
(42,1,'lot 42'),
(43,2,'lot 43'),
(44,1,'lot 44'),
(45,2,'lot 45'),
(46,1,'lot 46'),
(47,2,'lot 47'),
(48,1,'lot 48'),
(49,2,'lot 49'),
(50,1,'lot 50'),
(51,2,'lot 51'),
(52,1,'lot 52'),
(53,2,'lot 53'),
(54,1,'lot 54'),
(55,2,'lot 55'),
(56,1,'lot 56'),
(57,2,'lot 57'),
(58,1,'lot 58'),
(59,2,'lot 59'),
(60,1,'lot 60'),
(61,2,'lot 61'),
(62,1,'lot 62'),
(63,2,'lot 63'),
(64,1,'lot 64'),
(65,2,'lot 65'),
(66,1,'lot 66'),
(67,2,'lot 67'),
(68,1,'lot 68'),
(69,2,'lot 69'),
(70,1,'lot 70'),
(71,2,'lot 71'),
(72,1,'lot 72'),
(73,2,'lot 73'),
(74,1,'lot 74'),
(75,2,'lot 75'),
(76,1,'lot 76'),
(77,2,'lot 77'),
(78,1,'lot 78'),
(79,2,'lot 79'),
(80,1,'lot 80'),
(81,2,'lot 81'),
(82,1,'lot 82'),
(83,2,'lot 83'),
(84,1,'lot 84'),
(85,2,'lot 85'),
(86,1,'lot 86'),
(87,2,'lot 87'),
(88,1,'lot 88'),
(89,2,'lot 89'),
(90,1,'lot 90'),
(91,2,'lot 91'),
(92,1,'lot 92'),
(93,2,'lot 93'),
(94,1,'lot 94'),
(95,2,'lot 95'),
(96,1,'lot 96'),
(97,2,'lot 97'),
(98,1,'lot 98'),
(99,2,'lot 99'),
(100,1,'lot 100'),
(101,2,'lot 101'),
(102,1,'lot 102'),
(103,2,'lot 103'),
(104,1,'lot 104'),
(105,2,'lot 105'),
(106,1,'lot 106'),
(107,2,'lot 107'),
(108,1,'lot 108'),
(109,2,'lot 109'),
(110,1,'lot 110'),
(111,2,'lot 111'),
(112,1,'lot 112'),
(113,2,'lot 113'),
(114,1,'lot 114'),
(115,2,'lot 115'),
(116,1,'lot 116'),
(117,2,'lot 117'),
(118,1,'lot 118'),
(119,2,'lot 119'),
(120,1,'lot 120'),
(121,2,'lot 121'),
(122,1,'lot 122'),
(123,2,'lot 123'),
(124,1,'lot 124'),
(125,2,'lot 125'),
(126,1,'lot 126'),
(127,2,'lot 127'),
(128,1,'lot 128'),
(129,2,'lot 129'),
(130,1,'lot 130'),
(131,2,'lot 131'),
(132,1,'lot 132'),
(133,2,'lot 133'),
(134,1,'lot 134'),
(135,2,'lot 135'),
(136,1,'lot 136'),
(137,2,'lot 137'),
(138,1,'lot 138'),
(139,2,'lot 139'),
(140,1,'lot 140'),
(141,2,'lot 141'),
(142,1,'lot 142'),
(143,2,'lot 143'),
(144,1,'lot 144'),
(145,2,'lot 145'),
(146,1,'lot 146'),
(147,2,'lot 147'),
(148,1,'lot 148'),
(149,2,'lot 149'),
(150,1,'lot 150'),
(151,2,'lot 151'),
(152,1,'lot 152'),
(153,2,'lot 153'),
(154,1,'lot 154'),
(155,2,'lot 155'),
(156,1,'lot 156'),
(157,2,'lot 157'),
(158,1,'lot 158'),
(159,2,'lot 159'),
(160,1,'lot 160'),
(161,2,'lot 161'),
(162,1,'lot 162'),
(163,2,'lot 163'),
(164,1,'lot 164'),
(165,2,'lot 165'),
(166,1,'lot 166'),
(167,2,'lot 167'),
(168,1,'lot 168'),
(169,2,'lot 169'),
(170,1,'lot 170'),
(171,2,'lot 171'),
(172,1,'lot 172'),
(173,2,'lot 173'),
(174,1,'lot 174'),
(175,2,'lot 175'),
(176,1,'lot 176'),
(177,2,'lot 177'),
(178,1,'lot 178'),
(179,2,'lot 179'),
(180,1,'lot 180'),
(181,2,'lot 181'),
(182,1,'lot 182'),
(183,2,'lot 183'),
(184,1,'lot 184'),
(185,2,'lot 185'),
(186,1,'lot 186'),
(187,2,'lot 187'),
(188,1,'lot 188'),
(189,2,'lot 189'),
(190,1,'lot 190'),
(191,2,'lot 191'),
(192,1,'lot 192'),
(193,2,'lot 193'),
(194,1,'lot 194'),
(195,2,'lot 195'),
(196,1,'lot 196'),
(197,2,'lot 197'),
(198,1,'lot 198'),
(199,2,'lot 199'),
(200,1,'lot 200'),
(201,2,'lot 201'),
(202,1,'lot 202'),
(203,2,'lot 203'),
(204,1,'lot 204'),
(205,2,'lot 205'),
(206,1,'lot 206'),
(207,2,'lot 207'),
(208,1,'lot 208'),
(209,2,'lot 209'),
(210,1,'lot 210'),
(211,2,'lot 211'),
(212,1,'lot 212'),
(213,2,'lot 213'),
(214,1,'lot 214'),
(215,2,'lot 215'),
(216,1,'lot 216'),
(217,2,'lot 217'),
(218,1,'lot 218'),
(219,2,'lot 219'),
(220,1,'lot 220'),
(221,2,'lot 221'),
(222,1,'lot 222'),
(223,2,'lot 223'),
(224,1,'lot 224'),
(225,2,'lot 225'),
(226,1,'lot 226'),
(227,2,'lot 227'),
(228,1,'lot 228'),
(229,2,'lot 229'),
(230,1,'lot 230'),
(231,2,'lot 231'),
(232,1,'lot 232'),
(233,2,'lot 233'),
(234,1,'lot 234'),
(235,2,'lot 235'),
(236,1,'lot 236'),
(237,2,'lot 237'),
(238,1,'lot 238'),
(239,2,'lot 239'),
(240,1,'lot 240'),
(241,2,'lot 241'),
(242,1,'lot 242'),
(243,2,'lot 243'),
(244,1,'lot 244'),
(245,2,'lot 245'),
(246,1,'lot 246'),
(247,2,'lot 247'),
(248,1,'lot 248'),
(249,2,'lot 249'),
(250,1,'lot 250'),
(251,2,'lot 251'),
(252,1,'lot 252'),
(253,2,'lot 253'),
(254,1,'lot 254'),
(255,2,'lot 255'),
(256,1,'lot 256'),
(257,2,'lot 257'),
(258,1,'lot 258'),
(259,2,'lot 259'),
(260,1,'lot 260'),
(261,2,'lot 261'),
(262,1,'lot 262'),
(263,2,'lot 263'),
(264,1,'lot 264'),
(265,2,'lot 265'),
(266,1,'lot 266'),
(267,2,'lot 267'),
(268,1,'lot 268'),
(269,2,'lot 269'),
(270,1,'lot 270'),
(271,2,'lot 271'),
(272,1,'lot 272'),
(273,2,'lot 273'),
(274,1,'lot 274'),
(275,2,'lot 275'),
(276,1,'lot 276'),
(277,2,'lot 277'),
(278,1,'lot 278'),
(279,2,'lot 279'),
(280,1,'lot 280'),
(281,2,'lot 281'),
(282,1,'lot 282'),
(283,2,'lot 283'),
(284,1,'lot 284'),
(285,2,'lot 285'),
(286,1,'lot 286'),
(287,2,'lot 287'),
(288,1,'lot 288'),
(289,2,'lot 289'),
(290,1,'lot 290'),
(291,2,'lot 291'),
(292,1,'lot 292'),
(293,2,'lot 293'),
(294,1,'lot 294'),
(295,2,'lot 295'),
(296,1,'lot 296'),
(297,2,'lot 297'),
(298,1,'lot 298'),
(299,2,'lot 299'),
(300,1,'lot 300');
/*!40000 ALTER TABLE `seed_lot` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Table structure for table `station`
--

DROP TABLE IF EXISTS `station`;
/*!40101 SET @saved_cs_client     = @@character_set_client */;
/*!40101 SET character_set_client = utf8mb4 */;
CREATE TABLE `station` (
  `id` int(10) unsigned NOT NULL AUTO_INCREMENT,
  `name` varchar(60) NOT NULL,
  `code` char(8) CHARACTER SET latin1 COLLATE latin1_bin DEFAULT 'X',
  `budget` decimal(40,10) DEFAULT NULL,
  `big` bigint(20) unsigned DEFAULT NULL,
  `flags` bit(12) DEFAULT NULL,
  `founded` date DEFAULT NULL,
  `opened` time(3) DEFAULT NULL,
  `changed` timestamp(6) NULL DEFAULT NULL,
  `seen` datetime DEFAULT NULL,
  `built` year(4) DEFAULT NULL,
  `kind` enum('inshore','all-weather','it''s; odd') DEFAULT 'inshore',
  `marks` set('a','b','c') DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `name` (`name`),
  CONSTRAINT `CONSTRAINT_1` CHECK (`big` > 0)
) ENGINE=InnoDB AUTO_INCREMENT=4 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='a ; comment -- with ''quotes'' and\na newline';
/*!40101 SET character_set_client = @saved_cs_client */;

--
-- Dumping data for table `station`
--

LOCK TABLES `station` WRITE;
/*!40000 ALTER TABLE `station` DISABLE KEYS */;
INSERT INTO `station` VALUES
(1,'Skarholm','007',123456789012345678901234567890.0123456789,18446744073709551615,'\n','1901-05-06','03:04:05.678','2026-11-22 03:04:05.678901','2026-11-22 03:04:05',2026,'it\'s; odd','a,c'),
(2,'Tab	here \"q\" `b`','',NULL,NULL,NULL,NULL,NULL,NULL,NULL,NULL,NULL,''),
(3,'Łódź 海岸 🛟','a\'b',-0.5000000000,1,'\0\0','2026-02-28','-838:59:59.000',NULL,'1000-01-01 00:00:00',1901,'inshore','a,b,c');
/*!40000 ALTER TABLE `station` ENABLE KEYS */;
UNLOCK TABLES;

--
-- Dumping events for database 'harbour'
--
/*!50106 SET @save_time_zone= @@TIME_ZONE */ ;
/*!50106 DROP EVENT IF EXISTS `nightly` */;
DELIMITER ;;
/*!50003 SET @saved_cs_client      = @@character_set_client */ ;;
/*!50003 SET @saved_cs_results     = @@character_set_results */ ;;
/*!50003 SET @saved_col_connection = @@collation_connection */ ;;
/*!50003 SET character_set_client  = utf8mb4 */ ;;
/*!50003 SET character_set_results = utf8mb4 */ ;;
/*!50003 SET collation_connection  = utf8mb4_general_ci */ ;;
/*!50003 SET @saved_sql_mode       = @@sql_mode */ ;;
/*!50003 SET sql_mode              = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_AUTO_CREATE_USER,NO_ENGINE_SUBSTITUTION' */ ;;
/*!50003 SET @saved_time_zone      = @@time_zone */ ;;
/*!50003 SET time_zone             = 'SYSTEM' */ ;;
/*!50106 CREATE*/ /*!50117 DEFINER=`root`@`localhost`*/ /*!50106 EVENT `nightly` ON SCHEDULE EVERY 1 DAY STARTS '2026-11-23 07:14:12' ON COMPLETION NOT PRESERVE ENABLE DO BEGIN DELETE FROM empty_table; DELETE FROM seed WHERE id < 0; END 
*/ ;;
/*!50003 SET time_zone             = @saved_time_zone */ ;;
/*!50003 SET sql_mode              = @saved_sql_mode */ ;;
/*!50003 SET character_set_client  = @saved_cs_client */ ;;
/*!50003 SET character_set_results = @saved_cs_results */ ;;
/*!50003 SET collation_connection  = @saved_col_connection */ ;;
DELIMITER ;
/*!50106 SET TIME_ZONE= @save_time_zone */ ;

--
-- Dumping routines for database 'harbour'
--
/*!50003 SET @saved_sql_mode       = @@sql_mode */ ;
/*!50003 SET sql_mode              = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_AUTO_CREATE_USER,NO_ENGINE_SUBSTITUTION' */ ;
/*!50003 DROP FUNCTION IF EXISTS `twice` */;
/*!50003 SET @saved_cs_client      = @@character_set_client */ ;
/*!50003 SET @saved_cs_results     = @@character_set_results */ ;
/*!50003 SET @saved_col_connection = @@collation_connection */ ;
/*!50003 SET character_set_client  = utf8mb4 */ ;
/*!50003 SET character_set_results = utf8mb4 */ ;
/*!50003 SET collation_connection  = utf8mb4_general_ci */ ;
DELIMITER ;;
CREATE DEFINER=`root`@`localhost` FUNCTION `twice`(n int) RETURNS int(11)
    DETERMINISTIC
RETURN n * 2
;;
DELIMITER ;
/*!50003 SET sql_mode              = @saved_sql_mode */ ;
/*!50003 SET character_set_client  = @saved_cs_client */ ;
/*!50003 SET character_set_results = @saved_cs_results */ ;
/*!50003 SET collation_connection  = @saved_col_connection */ ;
/*!50003 SET @saved_sql_mode       = @@sql_mode */ ;
/*!50003 SET sql_mode              = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_AUTO_CREATE_USER,NO_ENGINE_SUBSTITUTION' */ ;
/*!50003 DROP PROCEDURE IF EXISTS `count_boats` */;
/*!50003 SET @saved_cs_client      = @@character_set_client */ ;
/*!50003 SET @saved_cs_results     = @@character_set_results */ ;
/*!50003 SET @saved_col_connection = @@collation_connection */ ;
/*!50003 SET character_set_client  = utf8mb4 */ ;
/*!50003 SET character_set_results = utf8mb4 */ ;
/*!50003 SET collation_connection  = utf8mb4_general_ci */ ;
DELIMITER ;;
CREATE DEFINER=`root`@`localhost` PROCEDURE `count_boats`(OUT n int)
BEGIN SELECT count(*) INTO n FROM boat; END
;;
DELIMITER ;
/*!50003 SET sql_mode              = @saved_sql_mode */ ;
/*!50003 SET character_set_client  = @saved_cs_client */ ;
/*!50003 SET character_set_results = @saved_cs_results */ ;
/*!50003 SET collation_connection  = @saved_col_connection */ ;

--
-- Final view structure for view `busy`
--

/*!50001 DROP VIEW IF EXISTS `busy`*/;
/*!50001 SET @saved_cs_client          = @@character_set_client */;
/*!50001 SET @saved_cs_results         = @@character_set_results */;
/*!50001 SET @saved_col_connection     = @@collation_connection */;
/*!50001 SET character_set_client      = utf8mb4 */;
/*!50001 SET character_set_results     = utf8mb4 */;
/*!50001 SET collation_connection      = utf8mb4_general_ci */;
/*!50001 CREATE ALGORITHM=UNDEFINED */
/*!50013 DEFINER=`root`@`localhost` SQL SECURITY DEFINER */
/*!50001 VIEW `busy` AS select `s`.`name` AS `name`,count(0) AS `n` from (`boat` `b` join `station` `s` on(`s`.`id` = `b`.`station_id`)) group by `s`.`name` */;
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

-- Dump completed on 2026-11-23  7:14:12
