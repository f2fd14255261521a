<?php

return [
    'name' => 'Foehn',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1'),
    'timezone' => 'UTC',
    'key' => env('APP_KEY'),
    'cipher' => 'AES-256-CBC',
    // Whether anyone may enter as the demo engineer.
    'demo' => (bool) env('FOEHN_DEMO', false),
];
