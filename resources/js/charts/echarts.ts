import { BarChart, HeatmapChart, LineChart, ParallelChart, SankeyChart, ScatterChart } from 'echarts/charts';
import {
    AriaComponent,
    DataZoomComponent,
    GridComponent,
    LegendComponent,
    MarkLineComponent,
    ParallelComponent,
    TooltipComponent,
    VisualMapComponent,
} from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';

register([
    BarChart,
    HeatmapChart,
    LineChart,
    ParallelChart,
    SankeyChart,
    ScatterChart,
    AriaComponent,
    DataZoomComponent,
    GridComponent,
    LegendComponent,
    MarkLineComponent,
    ParallelComponent,
    TooltipComponent,
    VisualMapComponent,
    CanvasRenderer,
]);

export { init } from 'echarts/core';
