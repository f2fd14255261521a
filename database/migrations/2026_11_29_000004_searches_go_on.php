<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        // A search adds points while it goes on; everything else has all of them from the beginning.
        Schema::table('studies', fn (Blueprint $table) => $table->boolean('growing')->default(false)->index());
    }

    public function down(): void
    {
        Schema::table('studies', fn (Blueprint $table) => $table->dropColumn('growing'));
    }
};
