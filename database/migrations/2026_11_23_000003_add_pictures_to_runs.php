<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            // Results written so far; each replaces the one before.
            $table->unsignedInteger('picture')->default(0)->after('progress');
        });
    }
};
