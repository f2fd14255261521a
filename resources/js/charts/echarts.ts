import { LineChart, SankeyChart } from 'echarts/charts';
import { AriaComponent, DataZoomComponent, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';

register([LineChart, SankeyChart, AriaComponent, DataZoomComponent, GridComponent, LegendComponent, MarkLineComponent, TooltipComponent, CanvasRenderer]);

export { init } from 'echarts/core';
