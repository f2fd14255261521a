<?php

declare(strict_types=1);

require is_file(__DIR__ . '/../vendor/autoload.php') ? __DIR__ . '/../vendor/autoload.php' : __DIR__ . '/../../vendor/autoload.php';
