<?php

declare(strict_types=1);

return [
    'name' => 'Foehn',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1'),
    'timezone' => 'UTC',
    'key' => env('APP_KEY'),
    'cipher' => 'AES-256-CBC',
    // Names this installation is asked by.
    'hosts' => array_values(array_filter(explode(',', (string) env('FOEHN_HOSTS', '127.0.0.1,localhost')))),
    // What is kept: the last runs of a variant with their fields, and deleted projects for so many days.
    'keep' => ['runs' => (int) env('FOEHN_KEEP_RUNS', 20), 'deleted_days' => (int) env('FOEHN_KEEP_DELETED_DAYS', 30)],
    // MB that one run may take; 0 for what the host has free.
    'worker_memory' => (int) env('FOEHN_WORKER_MEMORY', 0),
    // Whether anyone may enter as the demo engineer.
    'demo' => (bool) env('FOEHN_DEMO', false),
];
