<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            // Temperatures alone, on the last flow as it is.
            $table->boolean('keep_flow')->default(false)->after('grade');
        });
    }
};
