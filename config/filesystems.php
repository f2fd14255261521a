<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'throw' => true],
        'fields' => ['driver' => 'local', 'root' => env('FOEHN_FIELDS', storage_path('app/fields')), 'throw' => true],
    ],
];
